import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { dataHome, startPostgres } from './lib/postgres.mjs'
import { run } from './lib/run.mjs'

// `npm run check-log`: reads every seal of the log, in the private cluster of `npm start`, or as ZEN_MIGRATE_URL says.

const root = dirname(dirname(fileURLToPath(import.meta.url)))

async function check(url) {
  const { code } = await run(
    process.execPath,
    ['--import', 'tsx', join(root, 'scripts/check-log.ts')],
    { cwd: root, env: { ...process.env, ZEN_MIGRATE_URL: url } },
  )
  return code
}

async function checkOwn() {
  const { ownerUrl, wasRunning, stop } = await startPostgres(dataHome(root), { durable: true })
  try {
    return await check(ownerUrl)
  } finally {
    if (!wasRunning) await stop()
  }
}

const { ZEN_MIGRATE_URL: given } = process.env
process.exitCode = await (given ? check(given) : checkOwn())
