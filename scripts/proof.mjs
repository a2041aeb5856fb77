import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureDebian } from './lib/debian.mjs'
import { ensureBuild, ensurePackages } from './lib/packages.mjs'
import { run } from './lib/run.mjs'
import { startTestServer } from './lib/test-server.mjs'

// `npm run proof`: the large sizes of property, oracle and fuzz tests, and how often each was tried. An hour, not minutes.
const root = dirname(dirname(fileURLToPath(import.meta.url)))

/** Every property with the cases it was tried with; one that draws twice stands once. */
function triedIn(file) {
  const tried = new Map()
  if (!existsSync(file)) return tried
  for (const line of readFileSync(file, 'utf8').trim().split('\n')) {
    const { name, count } = JSON.parse(line)
    tried.set(name, (tried.get(name) ?? 0) + count)
  }
  return tried
}

/** Four cards performed from start to close in the browser. */
async function inTheBrowser(env, playwright) {
  const server = await startTestServer(root, new Date().toISOString().slice(0, 10), 0)
  try {
    const args = [playwright, 'test', 'tests/e2e/performed.spec.ts', '--reporter=list']
    const given = { cwd: root, env: { ...env, ...server.env } }
    return (await run(process.execPath, [...args, `--output=${join(folder, 'shown')}`], given)).code
  } finally {
    await server.stop()
  }
}

await ensurePackages(root)
const folder = mkdtempSync(join(tmpdir(), 'zen-proof-'))
const file = join(folder, 'tried.jsonl')
try {
  const env = { ...process.env, NUXT_TELEMETRY_DISABLED: '1', ZEN_PROOF_FILE: file }
  const bin = (path) => join(root, 'node_modules', path)
  await run(process.execPath, [bin('nuxt/bin/nuxt.mjs'), 'prepare'], {
    cwd: root,
    env,
    quiet: true,
  })
  const args = ['run', '--project', 'unit', '--testTimeout', '7200000', ...process.argv.slice(2)]
  const tests = async (given) =>
    (await run(process.execPath, [bin('vitest/vitest.mjs'), ...given], { cwd: root, env })).code
  const unit = await tests(args)
  // Kills need the built server and a database of their own.
  const isWhole = process.argv.length === 2
  if (isWhole) {
    await ensureDebian(['postgres', 'chromium'])
    await ensureBuild(root)
  }
  const killed = isWhole ? await tests(['run', '--project', 'api', 'tests/api/kills']) : 0
  const performed = isWhole ? await inTheBrowser(env, bin('@playwright/test/cli.js')) : 0
  const code = unit || killed || performed
  const tried = triedIn(file)
  for (const [name, count] of tried) console.log(`${String(count).padStart(7)}  ${name}`)
  const sum = [...tried.values()].reduce((total, count) => total + count, 0)
  console.log(
    `${String(sum).padStart(7)}  cases altogether, ${code === 0 ? 'all held' : 'not all held'}`,
  )
  process.exitCode = code
} finally {
  rmSync(folder, { recursive: true, force: true })
}
