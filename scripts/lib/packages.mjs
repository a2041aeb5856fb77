import { createHash } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { must } from './run.mjs'
import { say } from './say.mjs'

const hashOf = (texts) =>
  texts.reduce((hash, text) => hash.update(text), createHash('sha256')).digest('hex')
const read = (file) => (existsSync(file) ? readFileSync(file, 'utf8') : '')

/** Runs `npm ci` when the lock file is not the one node_modules was made from. */
export async function ensurePackages(root) {
  const stamp = join(root, 'node_modules', '.zen-lock')
  const wanted = hashOf([read(join(root, 'package-lock.json')), process.version])
  if (read(stamp) === wanted) return
  say('Installing npm packages from the lock file (about a minute)')
  await must('npm', ['ci', '--no-audit', '--no-fund', '--include=dev'], {
    cwd: root,
    quiet: true,
    env: { ...process.env, NODE_ENV: 'development' },
  })
  writeFileSync(stamp, wanted)
}

const SOURCES = [
  'app',
  'core',
  'starter',
  'demo',
  'server',
  'public',
  'nuxt.config.ts',
  'package-lock.json',
]

function* filesBelow(path) {
  if (!existsSync(path)) return
  if (statSync(path).isFile()) return void (yield path)
  for (const name of readdirSync(path).sort()) yield* filesBelow(join(path, name))
}

/** Builds the application when a source changed since the last build. */
export async function ensureBuild(root) {
  const stamp = join(root, '.output', '.zen-build')
  const wanted = hashOf(
    SOURCES.flatMap((source) => [...filesBelow(join(root, source))]).flatMap((file) => [
      file.slice(root.length),
      readFileSync(file),
    ]),
  )
  if (read(stamp) === wanted) return
  say('Building (about a minute)')
  await must(process.execPath, [join(root, 'node_modules/nuxt/bin/nuxt.mjs'), 'build'], {
    cwd: root,
    quiet: true,
    env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1', NODE_ENV: 'production' },
  })
  writeFileSync(stamp, wanted)
}
