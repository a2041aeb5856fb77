import { spawn } from 'node:child_process'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { prepareDatabase } from './lib/application.mjs'
import { ensureDebian } from './lib/debian.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { freePort } from './lib/ports.mjs'
import { dataHome, startPostgres } from './lib/postgres.mjs'
import { endAll } from './lib/run.mjs'

// Hot reload on a private database of its own with the demo: nothing here touches the data of `npm start`.
const root = dirname(dirname(fileURLToPath(import.meta.url)))
const SECRET = 'for-development-only-0123456789abcdef'

/** Nuxt's own development server, in this process group: started through another it would outlive a signal. */
function serve(url, port) {
  const nuxt = join(root, 'node_modules/nuxt/bin/nuxt.mjs')
  const child = spawn(process.execPath, [nuxt, 'dev', '--no-fork', '--port', String(port)], {
    cwd: root,
    stdio: 'inherit',
    env: {
      ...process.env,
      DATABASE_URL: url,
      ZEN_SESSION_SECRET: SECRET,
      NUXT_TELEMETRY_DISABLED: '1',
    },
  })
  return { child, ended: new Promise((resolve) => child.once('exit', resolve)) }
}

await ensureDebian(['postgres'])
await ensurePackages(root)
const database = await startPostgres(join(dataHome(root), 'dev'), { durable: true })
try {
  await prepareDatabase(root, database.url)
  const { child, ended } = serve(database.url, await freePort(3310))
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
    process.on(signal, () => {
      child.kill(signal)
      endAll(signal)
    })
  await ended
} finally {
  await database.stop()
}
