import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { SkinAnswer } from '#core/climb/model'
import { Conflict } from '#core/fault'
import { writeAudit } from '../../../db/access.sql'
import { addCheckIn } from '../../../db/outcome.sql'
import { created } from '../../../utils/reply'
import { defineVisitDoor } from '../../../utils/door'

const Body = z.strictObject({ askedOn: z.iso.date(), answer: SkinAnswer })

/** What the client tells a day or three after: appended beside the signed record, and read by the climb. */
export default defineVisitDoor(
  { can: 'health.write', body: Body },
  async ({ db, event, account, visit, body }) => {
    const { askedOn, answer } = body
    if (!visit.locked_at)
      throw new Conflict({
        code: 'not_signed',
        detail: 'Sign the visit first; the answer belongs to its close.',
      })
    const id = randomUUID()
    await addCheckIn(db, id, visit.id, askedOn, answer, account.id)
    await writeAudit(db, account.id, 'check_in.write', 'client', visit.client_id, {
      visit: visit.id,
    })
    return created(event, { id })
  },
)
