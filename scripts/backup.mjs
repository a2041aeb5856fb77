import { dirname, join, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { ensureDebian } from './lib/debian.mjs'
import { copyFolders, keepCopy } from './lib/house.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { dataHome, startPostgres } from './lib/postgres.mjs'
import { say, Stop } from './lib/say.mjs'

// `npm run backup [-- FOLDER]`: a copy of the salon, photographs included, of the private cluster of `npm start` or as ZEN_MIGRATE_URL says. Sealed where
// ZEN_BACKUP_PASSPHRASE is set.
const root = dirname(dirname(fileURLToPath(import.meta.url)))

async function backUp(ownerUrl, home) {
  const folder = process.argv[2] ? resolve(process.argv[2]) : copyFolders(home)[0]
  const passphrase = process.env.ZEN_BACKUP_PASSPHRASE || undefined
  const { file, bytes } = await keepCopy(root, { ownerUrl, home, folder, passphrase })
  say(`${join(folder, file)} (${(bytes / 1e6).toFixed(1)} MB${passphrase ? ', sealed' : ''})`)
}

async function backUpOwn(home) {
  const { ownerUrl, wasRunning, stop } = await startPostgres(home, { durable: true })
  try {
    await backUp(ownerUrl, home)
  } finally {
    if (!wasRunning) await stop()
  }
}

try {
  await ensureDebian(['postgres'])
  await ensurePackages(root)
  const { ZEN_MIGRATE_URL: given } = process.env
  await (given ? backUp(given, dataHome(root)) : backUpOwn(dataHome(root)))
} catch (error) {
  console.error(error instanceof Stop ? error.message : error)
  process.exitCode = error instanceof Stop ? error.code : 1
}
