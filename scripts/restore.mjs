import { mkdtempSync, rmSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { tmpdir } from 'node:os'
import { fileURLToPath } from 'node:url'
import { prepareDatabase } from './lib/application.mjs'
import { isRunningFrom } from './lib/claim.mjs'
import { restoreDump, unpackCopy } from './lib/copies.mjs'
import { ensureDebian } from './lib/debian.mjs'
import { askOwner, eraseAgain } from './lib/house.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { dataHome, startPostgres } from './lib/postgres.mjs'
import { say, Stop } from './lib/say.mjs'

// `npm run restore -- FILE`: into the empty database of the private cluster of `npm start`, or of DATABASE_URL and ZEN_MIGRATE_URL. Never over data that is there.
const root = dirname(dirname(fileURLToPath(import.meta.url)))

async function restore(database, home, file) {
  const work = mkdtempSync(join(tmpdir(), 'zen-restore-'))
  try {
    const passphrase = process.env.ZEN_BACKUP_PASSPHRASE || undefined
    const { dump, manifest } = await unpackCopy({ file, passphrase, into: work })
    const { ownerUrl } = database
    if ((await askOwner(root, ownerUrl, { do: 'look' })).hasSalon)
      throw new Stop(
        1,
        'There is a salon in this database already, and nothing is restored over it. Restore into an empty one: another ZEN_DATA folder, or a database of its own.',
      )
    await askOwner(root, ownerUrl, { do: 'empty' })
    await restoreDump(ownerUrl, dump)
    // Tables of a copy of an earlier version are brought up to date, and everybody has what is theirs.
    await prepareDatabase(root, database, { ZEN_DEMO: '0' })
    const erased = await eraseAgain(root, ownerUrl, [dirname(file), home])
    say(`Restored the salon as it was on ${manifest.madeAt}`)
    if (erased > 0) say(`Erased again whoever was erased since: ${erased}`)
  } finally {
    rmSync(work, { recursive: true, force: true })
  }
}

async function restoreOwn(home, file) {
  if (isRunningFrom(home))
    throw new Stop(
      1,
      'Zen Ladder is running from this folder. End it with Ctrl-C there, then restore.',
    )
  const database = await startPostgres(home, { durable: true })
  try {
    // A first start has made the database; nobody else has.
    await prepareDatabase(root, database, { ZEN_DEMO: '0' })
    await restore(database, home, file)
  } finally {
    if (!database.wasRunning) await database.stop()
  }
}

try {
  const [given] = process.argv.slice(2)
  if (!given) throw new Stop(2, 'Name the copy: npm run restore -- FILE')
  await ensureDebian(['postgres'])
  await ensurePackages(root)
  const { DATABASE_URL: url, ZEN_MIGRATE_URL: ownerUrl } = process.env
  const home = dataHome(root)
  const file = resolve(given)
  await (ownerUrl
    ? restore({ url: url ?? ownerUrl, ownerUrl }, home, file)
    : restoreOwn(home, file))
} catch (error) {
  console.error(error instanceof Stop ? error.message : error)
  process.exitCode = error instanceof Stop ? error.code : 1
}
