import { existsSync, mkdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs'
import { randomBytes } from 'node:crypto'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { prepareDatabase, removeDemo, startApplication } from './lib/application.mjs'
import { claim } from './lib/claim.mjs'
import { ensureDebian } from './lib/debian.mjs'
import { ensureBuild, ensurePackages } from './lib/packages.mjs'
import { freePort } from './lib/ports.mjs'
import { dataHome, startPostgres } from './lib/postgres.mjs'
import { askOwner, copyFolders, keepCopy } from './lib/house.mjs'
import { noteErasures } from './lib/erasures.mjs'
import { say, Stop } from './lib/say.mjs'
import { supervised } from './lib/supervise.mjs'
import { giveTo, handedOver, serverUser } from './lib/unprivileged.mjs'

const root = dirname(dirname(fileURLToPath(import.meta.url)))
const LOOPBACK = ['127.0.0.1', '::1', 'localhost']

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

/** Where to listen, and with which certificate; refuses what others could reach without one. */
function listeningFrom(env) {
  const host = env.ZEN_HOST ?? '127.0.0.1'
  const tls = tlsFrom(env)
  const isLocal = LOOPBACK.includes(host)
  if (!isLocal && !tls)
    throw new Stop(
      1,
      `${host} can be reached by others: set ZEN_TLS_CERT and ZEN_TLS_KEY, or leave ZEN_HOST out and put a proxy with TLS before it.`,
    )
  return { host, tls, isLocal }
}

const MOST_LOG_BYTES = 10_000_000

/** Where the server writes what it did. A log grown large is laid aside at the next start; the one before it goes. */
function logFrom(env, home, user) {
  const file = env.ZEN_LOG_FILE ?? join(home, 'log', 'zen.log')
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 })
  const isLarge = existsSync(file) && statSync(file).size > MOST_LOG_BYTES
  if (isLarge) renameSync(file, `${file}.1`)
  if (user && !env.ZEN_LOG_FILE) giveTo(user, dirname(file))
  return { ZEN_LOG_FILE: file, ZEN_LOG_LEVEL: env.ZEN_LOG_LEVEL ?? 'info' }
}

async function preparedDatabase(database, { host, isLocal }) {
  // The demo answers this machine alone: where others ask it is not made.
  const env = isLocal ? {} : { ZEN_DEMO: '0' }
  const prepared = await prepareDatabase(root, database, env)
  if (prepared.refused) throw new Stop(1, prepared.refused)
  if (prepared.loadedDemo) say('Loaded the demo studio into a database of its own')
  if (!isLocal && prepared.holdsDemo)
    throw new Stop(
      1,
      `The demo sign-in exists in this database, and ${host} can be reached by others. Use an empty database or stay on 127.0.0.1.`,
    )
  return prepared
}

async function chosenPort(host) {
  if (process.env.ZEN_PORT) return Number(process.env.ZEN_PORT)
  return freePort(3210, host === 'localhost' ? '127.0.0.1' : host)
}

/** A code is easier to read in two halves. */
const inHalves = (code) => `${code.slice(0, code.length / 2)}-${code.slice(code.length / 2)}`

function greet(address, { demo, code }) {
  console.log(`\nZen Ladder  ${address}`)
  if (code) console.log(`Your own salon  ${address}/set-up   code ${inHalves(code)}`)
  if (demo)
    console.log(
      `Demo sign-in  ${demo.email} · ${demo.password}   (or one touch on the sign-in page)`,
    )
  console.log('Ctrl-C ends it.\n')
}

/** A database of somebody else's: who serves and who owns it, and the demo's where that is named. */
const externalDatabase = (env) => ({
  url: env.DATABASE_URL,
  ownerUrl: env.ZEN_MIGRATE_URL,
  ...(env.ZEN_DEMO_URL
    ? { demo: { url: env.ZEN_DEMO_URL, ownerUrl: env.ZEN_DEMO_MIGRATE_URL } }
    : {}),
})

/** A copy where the salon wants it, among the folders of this house. */
async function copyNow({ ownerUrl }, home, { folder, keep }) {
  if (!ownerUrl) return 'Name the owner of the tables in ZEN_MIGRATE_URL: a copy is made as them.'
  const folders = copyFolders(home)
  const into = folders.includes(folder) ? folder : folders[0]
  const passphrase = process.env.ZEN_BACKUP_PASSPHRASE || undefined
  await keepCopy(root, { ownerUrl, home, folder: into, keep, passphrase })
  return true
}

const LOOK_EVERY_MS = 600_000
/** Makes the copies that are due, one after the other. */
function copying({ ownerUrl }, home) {
  let isBusy = false
  async function look() {
    if (isBusy || !ownerUrl) return
    isBusy = true
    try {
      const { wish } = await askOwner(root, ownerUrl, { do: 'due' })
      if (wish) await copyNow({ ownerUrl }, home, wish)
    } catch (error) {
      // It is tried again later, and told on Today meanwhile.
      say(error instanceof Stop ? error.message : `No copy was made: ${error.message}`)
    } finally {
      isBusy = false
    }
  }
  const timer = setInterval(() => void look(), LOOK_EVERY_MS)
  return () => clearInterval(timer)
}

/** What the server may not do itself: it serves rows of one salon at a time, and writes no file. Gives what was asked for, else a sentence. */
const onBehalf = (database, home) => ({
  'remove-demo': async () => {
    if (!database.demo?.adminUrl)
      return 'The demo’s database is not ours to drop: take ZEN_DEMO_URL out, and drop it there.'
    await removeDemo(root, database.demo.adminUrl)
    say('Removed the demo studio')
    return true
  },
  'copy-folders': () => copyFolders(home),
  copy: (wish) => copyNow(database, home, wish),
  /** Who was erased is written down outside the database and its copies. */
  'note-erasures': async () => {
    const { erasures } = await askOwner(root, database.ownerUrl, { do: 'look' })
    for (const folder of [home, ...copyFolders(home)]) noteErasures(folder, erasures)
    return true
  },
})

async function answerTo(database, home, { ask, with: given }) {
  try {
    return (await onBehalf(database, home)[ask]?.(given)) ?? 'That is not known here.'
  } catch (error) {
    // Whoever asked is told; what was asked for by the server must not end what keeps it running.
    return error instanceof Stop ? error.message : `It could not be done: ${error.message}`
  }
}

/** Everything that must be ended again is pushed on `closing` as soon as it runs. */
async function serve(home, own, listening, closing) {
  // Ctrl-C reaches the server too, as part of the same foreground group; what was pushed is ended in turn.
  const interrupted = new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.once(signal, () => resolve(0))
  })
  const lock = claim(home)
  closing.push(() => lock.release())
  const database = own
    ? await startPostgres(home, { durable: true })
    : externalDatabase(process.env)
  if (own) {
    const kept = await supervised('The database', async () => {
      await database.revive()
      return { ended: database.gone().then(() => 'it is gone'), stop: database.stop }
    })
    closing.push(() => kept.stop())
  }
  const prepared = await preparedDatabase(database, listening)
  const { host, tls } = listening
  const user = await serverUser()
  const settings = {
    ...(user ? { as: { user, output: await handedOver(root, home, user) } } : {}),
    url: database.url,
    ...(listening.isLocal && prepared.demoUrl ? { demoUrl: prepared.demoUrl } : {}),
    asks: (asked) => answerTo(database, home, asked),
    secret: sessionSecret(home),
    host,
    port: await chosenPort(host),
    env: { ...logFrom(process.env, home, user), ...tls },
  }
  let address
  const app = await supervised('The server', async () => {
    const running = await startApplication(root, settings)
    address = running.address
    return running
  })
  closing.push(() => app.stop())
  closing.push(copying(database, home))
  lock.write(address)
  greet(address, prepared)
  return interrupted
}

async function main() {
  const listening = listeningFrom(process.env)
  const own = !process.env.DATABASE_URL
  await ensureDebian(own ? ['postgres'] : [])
  await ensurePackages(root)
  await ensureBuild(root)
  const closing = []
  try {
    return await serve(dataHome(root), own, listening, closing)
  } finally {
    for (const close of closing.reverse()) await close()
  }
}

try {
  process.exitCode = await main()
} catch (error) {
  console.error(error instanceof Stop ? error.message : error)
  process.exitCode = error instanceof Stop ? error.code : 1
}
