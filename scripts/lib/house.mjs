import { join } from 'node:path'
import { makeCopy } from './copies.mjs'
import { erasuresIn, ERASURES, noteErasures } from './erasures.mjs'
import { must } from './run.mjs'
import { Stop } from './say.mjs'

/** Asks something of the database as the owner of its tables (scripts/copies.ts). */
export async function askOwner(root, ownerUrl, asked) {
  const args = ['--import', 'tsx', join(root, 'scripts/copies.ts'), JSON.stringify(asked)]
  const env = { ...process.env, ZEN_MIGRATE_URL: ownerUrl }
  const output = await must(process.execPath, args, { cwd: root, keep: true, env })
  return JSON.parse(output.trim().split('\n').at(-1))
}

/** Where copies may be put: the folder of the house first, then those named in ZEN_BACKUP_DIR, commas between. */
export const copyFolders = (home, env = process.env) => [
  join(home, 'copies'),
  ...(env.ZEN_BACKUP_DIR ?? '')
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean),
]

/** Makes a copy, writes it down, and lays beside it who has been erased. Throws a sentence where it cannot be made; that is written down too. */
export async function keepCopy(root, { ownerUrl, home, folder, keep, passphrase }) {
  const { hasSalon, erasures } = await askOwner(root, ownerUrl, { do: 'look' })
  if (!hasSalon) throw new Stop(1, 'There is no salon in this database yet: nothing to copy.')
  noteErasures(home, erasures)
  try {
    noteErasures(folder, erasures)
    const made = await makeCopy({ ownerUrl, folder, passphrase, keep })
    await askOwner(root, ownerUrl, { do: 'kept', ok: true, says: '', ...made })
    return made
  } catch (error) {
    const says = error instanceof Stop ? error.message : `No copy was made: ${error.message}`
    await askOwner(root, ownerUrl, { do: 'kept', ok: false, file: '', bytes: 0, says })
    throw error instanceof Stop ? error : new Stop(1, says)
  }
}

/** Erases again whoever was erased after a copy was made, by every list there is. */
export async function eraseAgain(root, ownerUrl, folders) {
  const erasures = folders.flatMap((folder) => erasuresIn(join(folder, ERASURES)))
  if (erasures.length === 0) return 0
  const { erased } = await askOwner(root, ownerUrl, { do: 'erase', erasures })
  return erased
}
