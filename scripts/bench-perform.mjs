import { spawnSync } from 'node:child_process'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureDebian } from './lib/debian.mjs'
import { ensureBuild, ensurePackages } from './lib/packages.mjs'
import { startTestServer } from './lib/test-server.mjs'

// `npm run bench-perform`: how soon a tap is seen on Perform, and what ninety minutes cost a tablet. Figures, no test.
const root = dirname(dirname(fileURLToPath(import.meta.url)))
await ensureDebian(['postgres', 'chromium'])
await ensurePackages(root)
await ensureBuild(root)
const server = await startTestServer(root, new Date().toISOString().slice(0, 10), 6)
try {
  const cli = join(root, 'node_modules/@playwright/test/cli.js')
  const config = join(root, 'tests/bench/playwright.config.ts')
  const { status } = spawnSync(
    process.execPath,
    [cli, 'test', '--config', config, '--reporter=list'],
    { cwd: root, env: { ...process.env, ...server.env }, stdio: 'inherit' },
  )
  process.exitCode = status ?? 1
} finally {
  await server.stop()
}
