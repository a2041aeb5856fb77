import { copyRuns } from '../../db/copies.sql'
import { worldOf } from '../../utils/db'
import { defineDoor } from '../../utils/door'
import { askStarter } from '../../utils/starter'

const MOST_RUNS = 10

/** The newest copies, and where they can be put. The demo is never copied. */
export default defineDoor({ can: 'salon.write' }, async ({ db, event }) => {
  if (worldOf(event) === 'demo')
    return { folders: [], why: 'The demo studio is not copied.', runs: [] }
  const folders = await askStarter('copy-folders')
  const isTold = typeof folders !== 'string' && folders !== true
  return {
    folders: isTold ? [...folders] : [],
    /** Why none can be made from here; nothing: one can. */
    why: isTold ? '' : String(folders),
    runs: await copyRuns(db, MOST_RUNS),
  }
})
