import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureDebian } from './lib/debian.mjs'
import { ensureBuild, ensurePackages } from './lib/packages.mjs'
import { run } from './lib/run.mjs'
import { startTestServer } from './lib/test-server.mjs'

// `npm run fuzz`: every route asked twenty times as much as in `npm test`. Another seed: ZEN_FUZZ_SEED=1 npm run fuzz.
const root = dirname(dirname(fileURLToPath(import.meta.url)))
const TIMES = '20'

await ensureDebian(['postgres'])
await ensurePackages(root)
await ensureBuild(root)
const server = await startTestServer(root, new Date().toISOString().slice(0, 10))
try {
  const args = ['run', '--project', 'api', '--testTimeout', '7200000', 'fuzz']
  const env = { ...process.env, ZEN_FUZZ: TIMES, ...server.env }
  const vitest = join(root, 'node_modules/vitest/vitest.mjs')
  const { code } = await run(process.execPath, [vitest, ...args], { cwd: root, env })
  process.exitCode = code
} finally {
  await server.stop()
}
