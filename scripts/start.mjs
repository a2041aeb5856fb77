import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { randomBytes } from 'node:crypto'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { prepareDatabase, startApplication } from './lib/application.mjs'
import { ensureDebian } from './lib/debian.mjs'
import { ensureBuild, ensurePackages } from './lib/packages.mjs'
import { freePort } from './lib/ports.mjs'
import { dataHome, startPostgres } from './lib/postgres.mjs'
import { say, Stop } from './lib/say.mjs'

const root = dirname(dirname(fileURLToPath(import.meta.url)))
const LOOPBACK = ['127.0.0.1', '::1', 'localhost']

/** One `npm start` per folder: a second one says where the first is. */
function claim(home) {
  mkdirSync(home, { recursive: true, mode: 0o700 })
  const file = join(home, 'running')
  const other = existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : undefined
  if (other && isAlive(other.pid))
    throw new Stop(
      1,
      `Zen Ladder is running already from this folder${other.address ? ` at ${other.address}` : ''}. End it with Ctrl-C there, then start again.`,
    )
  const write = (address) => writeFileSync(file, JSON.stringify({ pid: process.pid, address }))
  write(undefined)
  return { write, release: () => rmSync(file, { force: true }) }
}

function isAlive(pid) {
  try {
    process.kill(pid, 0)
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('start.mjs')
  } catch {
    return false
  }
}

function tlsFrom(env) {
  const { ZEN_TLS_CERT: cert, ZEN_TLS_KEY: key } = env
  if (!cert && !key) return undefined
  if (!cert || !key) throw new Stop(1, 'ZEN_TLS_CERT and ZEN_TLS_KEY go together: name both files.')
  for (const [name, file] of [
    ['ZEN_TLS_CERT', cert],
    ['ZEN_TLS_KEY', key],
  ])
    if (!existsSync(file)) throw new Stop(1, `${name} names ${file}, which is not there.`)
  return {
    NITRO_SSL_CERT: readFileSync(cert, 'utf8'),
    NITRO_SSL_KEY: readFileSync(key, 'utf8'),
    ZEN_TLS: '1',
  }
}

function sessionSecret(home) {
  const file = join(home, 'session-secret')
  if (!existsSync(file)) writeFileSync(file, randomBytes(32).toString('hex'), { mode: 0o600 })
  return readFileSync(file, 'utf8').trim()
}

async function main() {
  const host = process.env.ZEN_HOST ?? '127.0.0.1'
  const tls = tlsFrom(process.env)
  const isLocal = LOOPBACK.includes(host)
  if (!isLocal && !tls)
    throw new Stop(
      1,
      `${host} can be reached by others: set ZEN_TLS_CERT and ZEN_TLS_KEY, or leave ZEN_HOST out and put a proxy with TLS before it.`,
    )
  const own = !process.env.DATABASE_URL
  await ensureDebian(own ? ['postgres'] : [])
  await ensurePackages(root)
  await ensureBuild(root)
  const home = dataHome(root)
  const lock = claim(home)
  const closing = [() => lock.release()]
  const closeAll = async () => {
    for (const close of closing.reverse()) await close()
  }
  // Ctrl-C reaches the server too, as part of the same foreground group; the order below waits for each.
  const interrupted = new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.once(signal, () => resolve(0))
  })
  try {
    const database = own
      ? await startPostgres(home, { durable: true })
      : { url: process.env.DATABASE_URL }
    if (own) closing.push(() => database.stop())
    const prepared = await prepareDatabase(
      root,
      database.url,
      isLocal ? {} : { ZEN_DEMO: process.env.ZEN_DEMO ?? '0' },
    )
    if (prepared.loadedDemo) say('Loaded the demo studio into the empty database')
    if (!isLocal && prepared.demo)
      throw new Stop(
        1,
        `The demo sign-in exists in this database, and ${host} can be reached by others. Use an empty database (ZEN_DEMO=0) or stay on 127.0.0.1.`,
      )
    const port = process.env.ZEN_PORT
      ? Number(process.env.ZEN_PORT)
      : await freePort(3210, host === 'localhost' ? '127.0.0.1' : host)
    const app = await startApplication(root, {
      url: database.url,
      secret: sessionSecret(home),
      host,
      port,
      env: tls ?? {},
    })
    closing.push(() => app.stop())
    lock.write(app.address)
    console.log(`\nZen Ladder  ${app.address}`)
    if (prepared.demo)
      console.log(
        `Demo sign-in  ${prepared.demo.email} · ${prepared.demo.password}   (or one touch on the sign-in page)`,
      )
    console.log('Ctrl-C ends it.\n')
    return await Promise.race([interrupted, app.ended])
  } finally {
    await closeAll()
  }
}

try {
  process.exitCode = await main()
} catch (error) {
  console.error(error instanceof Stop ? error.message : error)
  process.exitCode = error instanceof Stop ? error.code : 1
}
