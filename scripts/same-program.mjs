import { existsSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { globSync } from 'tinyglobby'
import { compileTemplate, parse } from 'vue/compiler-sfc'
import { transform } from 'esbuild'

// Says whether two checkouts are the same program: every script, and what every template's syntax tree
// (white space condensed, as the build condenses it) compiles to, compared without its layout.
// `node scripts/same-program.mjs BEFORE AFTER [--templates]`; exit code 1 and the files that differ otherwise.
const [before, after] = process.argv.slice(2)
const only = process.argv.includes('--templates') ? '**/*.vue' : '**/*.{ts,mjs,vue}'
const IGNORED = ['**/node_modules/**', '**/.nuxt/**', '**/.output/**']

/** A script without its layout: quotes, brackets, commas and white space as the minifier writes them. */
const withoutLayout = async (code) =>
  (await transform(code, { loader: 'ts', minify: true, minifyIdentifiers: false })).code

/** What a template's syntax tree compiles to; expressions stay as they are written. */
function render(filename, content) {
  const options = {
    filename,
    id: 'same',
    source: content,
    compilerOptions: {
      comments: false,
      hoistStatic: false,
      whitespace: 'condense',
      expressionPlugins: ['typescript'],
    },
  }
  const { code, errors } = compileTemplate(options)
  if (errors.length > 0) throw new Error(`${filename}: ${errors.join('; ')}`)
  return code
}

async function partsOf(file) {
  const text = readFileSync(file, 'utf8')
  if (!file.endsWith('.vue')) return [await withoutLayout(text)]
  const { descriptor } = parse(text, { filename: file })
  const scripts = [descriptor.script, descriptor.scriptSetup].map((block) => block?.content ?? '')
  const styles = descriptor.styles.map((block) => block.content.replace(/\s+/g, ' '))
  const template = descriptor.template ? render(file.slice(-60), descriptor.template.content) : ''
  return [...(await Promise.all([...scripts, template].map(withoutLayout))), ...styles]
}

/** A window around the first place at which two texts part. */
function parting(a, b) {
  const from = [...a].findIndex((letter, at) => letter !== b[at])
  return [a, b]
    .map((text) => `    ${text.slice(Math.max(0, from - 60), from + 60).replaceAll('\n', '⏎')}`)
    .join('\n')
}

let different = 0
const files = globSync(only, { cwd: before, ignore: IGNORED, dot: true })
for (const file of files.sort()) {
  const other = join(after, file)
  if (!existsSync(other)) continue
  const [a, b] = await Promise.all([partsOf(join(before, file)), partsOf(other)])
  const at = a.findIndex((part, index) => part !== b[index])
  if (at < 0 && a.length === b.length) continue
  different++
  console.log(`${relative('.', file)}\n${parting(a[at] ?? '', b[at] ?? '')}`)
}
console.log(`${files.length} files, ${different} different`)
process.exitCode = different > 0 ? 1 : 0
