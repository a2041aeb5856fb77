import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { basename, dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureDebian } from './lib/debian.mjs'
import { ensureBuild, ensurePackages } from './lib/packages.mjs'
import { endAll, run } from './lib/run.mjs'
import { say, Stop } from './lib/say.mjs'
import { startTestServer } from './lib/test-server.mjs'

// Types, lint, unit, api and browser tests, on a throw-away database; leaves nothing running. `npm test -- unit` runs one part.
const root = dirname(dirname(fileURLToPath(import.meta.url)))
const parts = process.argv.slice(2)
let interrupted = false
const wanted = (part) => !interrupted && (parts.length === 0 || parts.includes(part))
// One day for the whole run, midnight or not.
const TODAY = new Date().toISOString().slice(0, 10)
const total = { passed: 0, failed: 0 }
const bin = (path) => join(root, 'node_modules', path)

function count(name, passed, failed) {
  total.passed += passed
  total.failed += failed
  say(`${name}: ${passed} passed, ${failed} failed`)
}

/** Runs one tool to its end; true when it was content. Its words are held back until then, where another runs beside it. */
async function one(args, { env = {}, isBeside = false } = {}) {
  const { code, output, errors } = await run(process.execPath, args, {
    cwd: root,
    keep: isBeside,
    env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1', ...env },
  })
  if (isBeside && code !== 0) process.stdout.write(`${output}${errors}`)
  return code === 0
}

async function vitest(project, folder, options) {
  const file = join(folder, `${project}.json`)
  const reporters = ['--reporter=default', '--reporter=json', `--outputFile=${file}`]
  const args = [bin('vitest/vitest.mjs'), 'run', '--project', project, ...reporters]
  const good = await one(args, options)
  const report = readReport(file)
  const failed = report?.numFailedTests ?? 0
  count(project, report?.numPassedTests ?? 0, good ? failed : Math.max(1, failed))
}

function readReport(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'))
  } catch {
    // A runner that died before it wrote its report: its exit code has said so already.
    return undefined
  }
}

async function types() {
  const good = await one([bin('vue-tsc/bin/vue-tsc.js'), '--build', '--noEmit'], { isBeside: true })
  count('types', Number(good), Number(!good))
}

/** The layout is the formatter's, and every limit is kept; what was read before and has not changed is not read again. */
async function lint() {
  const prettier = [bin('prettier/bin/prettier.cjs'), '--check', '--log-level=warn', '.']
  const isFormatted = await one(prettier, { isBeside: true })
  const cache = ['--cache', '--cache-location', bin('.cache/eslint/')]
  const eslint = [bin('eslint/bin/eslint.js'), '.', '--max-warnings', '0', ...cache]
  const isKept = await one(eslint, { isBeside: true })
  const good = isFormatted && isKept
  count('lint', Number(good), Number(!good))
}

async function withServer(work) {
  const server = await startTestServer(root, TODAY)
  try {
    await work(server.env)
  } finally {
    await server.stop()
  }
}

/** One file of browser tests; how many passed and failed. */
async function playwright(spec, folder, env) {
  const file = join(folder, `${basename(spec)}.json`)
  const args = [bin('@playwright/test/cli.js'), 'test', spec, '--reporter=list,json']
  const output = join(folder, `${basename(spec)}-results`)
  const good = await one([...args, `--output=${output}`], {
    env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: file },
  })
  const stats = readReport(file)?.stats
  const failed = (stats?.unexpected ?? 0) + (stats?.flaky ?? 0)
  return { passed: stats?.expected ?? 0, failed: good ? failed : Math.max(1, failed) }
}

const LANES = 2
/** The longest first, so that the lanes end together. */
const browserSpecs = () =>
  readdirSync(join(root, 'tests/e2e'))
    .filter((name) => name.endsWith('.spec.ts'))
    .map((name) => ({
      spec: `tests/e2e/${name}`,
      size: statSync(join(root, 'tests/e2e', name)).size,
    }))
    .sort((a, b) => b.size - a.size)
    .map(({ spec }) => spec)

/** Browser tests run in lanes side by side, each with a server and a database of its own; whichever is free takes the next file. */
async function browser(folder) {
  const waiting = browserSpecs()
  const results = []
  const servers = []
  try {
    // One after another: two at once could take the same port.
    for (let lane = 0; lane < LANES; lane++) servers.push(await startTestServer(root, TODAY, lane))
    await Promise.all(
      servers.map(async ({ env }) => {
        for (let spec = waiting.shift(); spec && !interrupted; spec = waiting.shift())
          results.push(await playwright(spec, folder, env))
      }),
    )
  } finally {
    for (const server of servers) await server.stop()
  }
  const sum = (key) => results.reduce((total, result) => total + result[key], 0)
  count('browser', sum('passed'), sum('failed'))
}

async function readSources() {
  if (wanted('types')) await types()
  if (wanted('lint')) await lint()
}
async function runTests(folder) {
  if (wanted('unit')) await vitest('unit', folder, {})
  if (wanted('api')) await withServer((env) => vitest('api', folder, { env }))
}

async function main() {
  await ensureDebian(['postgres', 'chromium'])
  await ensurePackages(root)
  const folder = mkdtempSync(join(tmpdir(), 'zen-reports-'))
  const isServed = wanted('api') || wanted('browser')
  try {
    if (isServed) await ensureBuild(root)
    // Everything after it reads the project's own type settings, which the build makes anew.
    await one([bin('nuxt/bin/nuxt.mjs'), 'prepare'], { isBeside: true })
    await Promise.all([readSources(), runTests(folder)])
    if (wanted('browser')) await browser(folder)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

// Ctrl-C ends what runs now; what was started is then taken away as after any run.
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
  process.on(signal, () => {
    interrupted = true
    endAll(signal)
  })
}
try {
  await main()
} catch (error) {
  console.error(error instanceof Stop ? error.message : error)
  if (error instanceof Stop) process.exit(error.code)
  total.failed++
}
console.log(`\n${total.passed} passed, ${total.failed} failed`)
if (interrupted) process.exit(130)
process.exitCode = total.failed > 0 || total.passed === 0 ? 1 : 0
