import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { prepareDatabase, startApplication } from './lib/application.mjs'
import { ensureDebian } from './lib/debian.mjs'
import { ensureBuild, ensurePackages } from './lib/packages.mjs'
import { freePort } from './lib/ports.mjs'
import { throwAwayPostgres } from './lib/postgres.mjs'
import { endAll, run } from './lib/run.mjs'
import { say, Stop } from './lib/say.mjs'

// Types, lint, unit, api and browser tests, on a throw-away database; leaves nothing running. `npm test -- unit` runs one part.
const root = dirname(dirname(fileURLToPath(import.meta.url)))
const parts = process.argv.slice(2)
let interrupted = false
const wanted = (part) => !interrupted && (parts.length === 0 || parts.includes(part))
const SECRET = 'a-secret-for-tests-only-0123456789abcdef'
// One day for the whole run, midnight or not.
const TODAY = new Date().toISOString().slice(0, 10)
const total = { passed: 0, failed: 0 }
const bin = (path) => join(root, 'node_modules', path)

function count(name, passed, failed) {
  total.passed += passed
  total.failed += failed
  say(`${name}: ${passed} passed, ${failed} failed`)
}

async function one(name, args, env = {}) {
  const { code } = await run(process.execPath, args, {
    cwd: root,
    env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1', ...env },
  })
  return code === 0
}

async function vitest(project, folder, env) {
  const file = join(folder, `${project}.json`)
  const good = await one(
    project,
    [
      bin('vitest/vitest.mjs'),
      'run',
      '--project',
      project,
      '--reporter=default',
      '--reporter=json',
      `--outputFile=${file}`,
    ],
    env,
  )
  const report = readReport(file)
  const failed = report?.numFailedTests ?? 0
  count(project, report?.numPassedTests ?? 0, good ? failed : Math.max(1, failed))
}

async function playwright(folder, env) {
  const file = join(folder, 'e2e.json')
  const good = await one(
    'browser',
    [bin('@playwright/test/cli.js'), 'test', '--reporter=list,json'],
    { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: file },
  )
  const stats = readReport(file)?.stats
  const failed = (stats?.unexpected ?? 0) + (stats?.flaky ?? 0)
  count('browser', stats?.expected ?? 0, good ? failed : Math.max(1, failed))
}

const prepareTypes = () => one('prepare', [bin('nuxt/bin/nuxt.mjs'), 'prepare'])

/** The layout is the formatter's, and every limit is kept; what was read before and has not changed is not read again. */
async function lint() {
  // Rules that ask for types read the project's own type settings.
  await prepareTypes()
  const formatted = await one('format', [
    bin('prettier/bin/prettier.cjs'),
    '--check',
    '--log-level=warn',
    '.',
  ])
  const cache = ['--cache', '--cache-location', bin('.cache/eslint/')]
  const kept = await one('lint', [
    bin('eslint/bin/eslint.js'),
    '.',
    '--max-warnings',
    '0',
    ...cache,
  ])
  return formatted && kept
}

function readReport(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'))
  } catch {
    // A runner that died before it wrote its report: its exit code has said so already.
    return undefined
  }
}

/** Runs `work` against a built server on a throw-away database. */
async function withServer(work) {
  const database = await throwAwayPostgres()
  const closing = [() => database.remove()]
  try {
    await prepareDatabase(root, database.url, { ZEN_TODAY: TODAY })
    const port = await freePort(3410)
    const app = await startApplication(root, {
      url: database.url,
      secret: SECRET,
      host: '127.0.0.1',
      port,
      quiet: true,
    })
    closing.push(() => app.stop())
    await work({
      ZEN_TEST_URL: app.address,
      ZEN_TEST_DATABASE: database.url,
      ZEN_TEST_SECRET: SECRET,
      ZEN_TEST_TODAY: TODAY,
    })
  } finally {
    for (const close of closing.reverse()) await close()
  }
}

async function main() {
  await ensureDebian(['postgres', 'chromium'])
  await ensurePackages(root)
  const folder = mkdtempSync(join(tmpdir(), 'zen-reports-'))
  try {
    if (wanted('types')) {
      const good =
        (await prepareTypes()) &&
        (await one('types', [bin('vue-tsc/bin/vue-tsc.js'), '--build', '--noEmit']))
      count('types', Number(good), Number(!good))
    }
    if (wanted('lint')) {
      const good = await lint()
      count('lint', Number(good), Number(!good))
    }
    if (wanted('unit')) await vitest('unit', folder, {})
    if (wanted('api') || wanted('browser')) await ensureBuild(root)
    if (wanted('api')) await withServer((env) => vitest('api', folder, env))
    if (wanted('browser')) await withServer((env) => playwright(folder, env))
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
