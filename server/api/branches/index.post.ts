import { randomUUID } from 'node:crypto'
import { salonsOf } from '../../db/branch.sql'
import { inSalon } from '../../db/rows'
import { BranchWish, handedOn, openBranch } from '../../utils/branches'
import { useDb } from '../../utils/db'
import { defineDoor } from '../../utils/door'

/** Opens a branch. It is another salon with rows of its own; what it takes along is read here, and written there. */
export default defineDoor(
  {
    can: 'salon.write',
    body: BranchWish,
    before: async ({ event, account, body }) => {
      const pool = useDb(event)
      const handed = await inSalon(pool, account.salon_id, (db) => handedOn(db, account.salon_id))
      const id = randomUUID()
      await inSalon(pool, id, (db) => openBranch(db, id, account, body, handed))
    },
  },
  ({ db, account }) => salonsOf(db, account.id),
)
