import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { prepareDatabase } from './lib/application.mjs'
import { ensureDebian } from './lib/debian.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { freePort } from './lib/ports.mjs'
import { dataHome, startPostgres } from './lib/postgres.mjs'
import { endAll, run } from './lib/run.mjs'
import { say, Stop } from './lib/say.mjs'

// `npm run dev`: the application with hot reload, on a database of its own that holds the demo. What is changed is seen at once.
const root = dirname(dirname(fileURLToPath(import.meta.url)))
const SECRET = 'for-development-only-0123456789abcdef'

async function main() {
  await ensureDebian(['postgres'])
  await ensurePackages(root)
  // A folder beside that of `npm start`, so that the two never meet.
  const database = await startPostgres(`${dataHome(root)}-dev`, { durable: false })
  try {
    const { demo } = await prepareDatabase(root, database)
    const port = await freePort(3300)
    say(`Zen Ladder, developing: http://127.0.0.1:${port}`)
    if (demo) say(`Demo sign-in ${demo.email} · ${demo.password}`)
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => endAll(signal))
    const nuxt = join(root, 'node_modules/nuxt/bin/nuxt.mjs')
    const args = [nuxt, 'dev', '--host', '127.0.0.1', '--port', String(port)]
    const env = {
      ...process.env,
      NUXT_TELEMETRY_DISABLED: '1',
      DATABASE_URL: database.url,
      ZEN_DEMO_URL: database.demo.url,
      ZEN_SESSION_SECRET: SECRET,
      ZEN_LOG_LEVEL: process.env.ZEN_LOG_LEVEL ?? 'info',
    }
    const { code } = await run(process.execPath, args, { cwd: root, env })
    return code
  } finally {
    await database.stop()
  }
}

try {
  process.exitCode = await main()
} catch (error) {
  console.error(error instanceof Stop ? error.message : error)
  process.exitCode = error instanceof Stop ? error.code : 1
}
