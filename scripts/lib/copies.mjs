import { createHash } from 'node:crypto'
import { createReadStream, createWriteStream, existsSync, readdirSync, readFileSync } from 'node:fs'
import { mkdir, mkdtemp, open, rename, rm, stat, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { Decrypter, Encrypter } from 'age-encryption'
import pg from 'pg'
import { postgresBin } from './debian.mjs'
import { run } from './run.mjs'
import { Stop } from './say.mjs'

// A copy is a tar of two files: `database.dump` as pg_dump writes it (photographs are in it) and `manifest.json` with its checksum. With a passphrase the
// whole is an age file (age-encryption.org): `age -d` and `tar -x` open it without this program.

const FORMAT = 'zen-ladder/copy'
const DUMP = 'database.dump'
const MANIFEST = 'manifest.json'
const NAME = /^zen-\d{8}T\d{6}Z\.tar(?:\.age)?$/
const FULL =
  /No space left on device|ENOSPC|Disk quota exceeded|EDQUOT|File too large|EFBIG|SIGXFSZ/

/** The programs of PostgreSQL take a connection from their environment: a password is nobody's to read in a list of processes. */
function connectionOf(url) {
  const { hostname, port, username, password, pathname } = new URL(url)
  return {
    PGHOST: hostname,
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
  }
}

async function program(name, args, url) {
  const env = { ...process.env, ...connectionOf(url) }
  const { code, signal, errors } = await run(`${postgresBin()}/${name}`, args, { quiet: true, env })
  if (code !== 0) throw new Error(errors.trim() || `${name} ended with ${signal ?? code}.`)
}

async function sha256Of(file) {
  const hash = createHash('sha256')
  await pipeline(createReadStream(file), hash)
  return hash.digest('hex')
}

const TABLES = `SELECT c.oid::regclass::text AS name
  FROM pg_class c
  WHERE c.relnamespace = 'public'::regnamespace
    AND c.relkind = 'r'
  ORDER BY 1`

/** How many rows each table holds. */
export async function rowsOf(client) {
  const { rows: tables } = await client.query(TABLES)
  const counted = {}
  for (const { name } of tables) {
    const { rows } = await client.query(`SELECT count(*)::int AS rows FROM ${name}`)
    counted[name] = rows[0].rows
  }
  return counted
}

/** Dumps one moment of the database, and counts its rows at the same moment. */
async function dump(url, file) {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    await client.query('BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY')
    const { rows } = await client.query('SELECT pg_export_snapshot() AS snapshot')
    const { snapshot } = rows[0]
    await program('pg_dump', ['-Fc', '--no-owner', `--snapshot=${snapshot}`, '-f', file], url)
    return await rowsOf(client)
  } finally {
    await client.end()
  }
}

const compact = (at) => at.toISOString().replace(/[-:]|\.\d+/g, '')

async function sealWith(passphrase, from, to) {
  const encrypter = new Encrypter()
  encrypter.setPassphrase(passphrase)
  const stream = await encrypter.encrypt(Readable.toWeb(createReadStream(from)))
  await pipeline(Readable.fromWeb(stream), createWriteStream(to, { mode: 0o600 }))
}

async function flushed(file) {
  const handle = await open(file, 'r')
  await handle.sync()
  await handle.close()
}

/**
 * Makes a copy of the database into a folder, and gives its file and size. It has its name only when it is whole; where it cannot be made, what was there
 * before stays. `keep`: older copies than that many go.
 */
export async function makeCopy({ ownerUrl, folder, passphrase, keep, now = new Date() }) {
  await mkdir(folder, { recursive: true, mode: 0o700 })
  const work = await mkdtemp(join(folder, '.making-'))
  try {
    const rows = await dump(ownerUrl, join(work, DUMP))
    const { size } = await stat(join(work, DUMP))
    const manifest = {
      ...{ format: FORMAT, version: 1, madeAt: now.toISOString() },
      ...{ sha256: await sha256Of(join(work, DUMP)), bytes: size, rows },
    }
    await writeFile(join(work, MANIFEST), `${JSON.stringify(manifest, null, 2)}\n`)
    const name = `zen-${compact(now)}.tar${passphrase ? '.age' : ''}`
    const tar = join(work, 'copy.tar')
    await mustTar(['-C', work, '-cf', tar, MANIFEST, DUMP])
    const whole = passphrase ? join(work, 'copy.age') : tar
    if (passphrase) await sealWith(passphrase, tar, whole)
    await flushed(whole)
    await rename(whole, join(folder, name))
    const { size: bytes } = await stat(join(folder, name))
    await dropOld(folder, keep)
    return { file: name, bytes }
  } catch (error) {
    if (FULL.test(String(error.message) + String(error.code)))
      throw new Stop(
        1,
        `The disk of ${folder} is full: no copy was made. Those before it are still there.`,
      )
    throw error
  } finally {
    await rm(work, { recursive: true, force: true })
  }
}

async function mustTar(args) {
  const { code, errors } = await run('tar', args, { quiet: true })
  if (code !== 0) throw new Error(errors.trim() || `tar ended with ${code}.`)
}

async function dropOld(folder, keep) {
  if (keep === undefined) return
  const there = copiesIn(folder)
  for (const name of there.slice(keep)) await rm(join(folder, name), { force: true })
}

/** The copies in a folder, the newest first. */
const copiesIn = (folder) =>
  existsSync(folder)
    ? readdirSync(folder)
        .filter((name) => NAME.test(name))
        .sort()
        .reverse()
    : []

async function openSealed(file, passphrase, to) {
  if (!passphrase)
    throw new Stop(1, `${file} is sealed: give its passphrase in ZEN_BACKUP_PASSPHRASE.`)
  const decrypter = new Decrypter()
  decrypter.addPassphrase(passphrase)
  try {
    const stream = await decrypter.decrypt(Readable.toWeb(createReadStream(file)))
    await pipeline(Readable.fromWeb(stream), createWriteStream(to, { mode: 0o600 }))
  } catch (error) {
    throw new Stop(
      1,
      `${file} cannot be opened: the passphrase is another, or the file is damaged (${error.message}).`,
    )
  }
}

/** Unpacks a copy into a folder and holds it against its checksum; gives the dump and what the manifest says. */
export async function unpackCopy({ file, passphrase, into }) {
  if (!existsSync(file)) throw new Stop(1, `${file} is not there.`)
  const tar = file.endsWith('.age') ? join(into, 'copy.tar') : file
  if (tar !== file) await openSealed(file, passphrase, tar)
  await mustTar(['-C', into, '-xf', tar, MANIFEST, DUMP]).catch((error) => {
    throw new Stop(1, `${file} is no copy of Zen Ladder: ${error.message}`)
  })
  const manifest = JSON.parse(readFileSync(join(into, MANIFEST), 'utf8'))
  if (manifest.format !== FORMAT || manifest.version !== 1)
    throw new Stop(1, `${file} is a copy of a form that this version does not know.`)
  if ((await sha256Of(join(into, DUMP))) !== manifest.sha256)
    throw new Stop(
      1,
      `${file} is damaged: what is in it does not fit its checksum. Nothing was restored.`,
    )
  return { dump: join(into, DUMP), manifest }
}

/** Puts a dump into an empty database: all of it or nothing. */
export const restoreDump = (ownerUrl, file) =>
  program(
    'pg_restore',
    [
      ...['--no-owner', '--no-privileges', '--no-comments', '--exit-on-error'],
      ...['--single-transaction', '-d', new URL(ownerUrl).pathname.slice(1), file],
    ],
    ownerUrl,
  )
