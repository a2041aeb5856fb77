import { z } from 'zod'
import { Conflict } from '#core/fault'
import { writeAudit } from '../../../db/access.sql'
import { mergeClients } from '../../../db/clients.sql'
import { restrictionOf } from '../../../db/rights.sql'
import { defineClientDoor } from '../../../utils/door'
import { isAtRest } from '../../../utils/open-client'

const Body = z.strictObject({ other: z.uuid() })

/** Makes one client of two: everything of the other becomes this one's. Both histories are kept, and it is not undone. */
export default defineClientDoor(
  { can: 'client.merge', action: 'client.merge', body: Body },
  async ({ db, account, client, body: { other } }) => {
    const why = await restrictionOf(db, other)
    if (why !== undefined) throw isAtRest(why)
    if (other === client.id || !(await mergeClients(db, client.id, other)))
      throw new Conflict({
        code: 'not_two',
        detail: 'These are not two clients of the salon: open the list again.',
        path: 'other',
      })
    await writeAudit(db, account.id, 'client.merged', 'client', other, { into: client.id })
  },
)
