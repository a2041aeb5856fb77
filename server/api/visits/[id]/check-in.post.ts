import { z } from 'zod'
import { SkinAnswer } from '#core/climb/model'
import { Conflict } from '#core/fault'
import { addCheckIn } from '../../../db/outcome.sql'
import { created } from '../../../utils/reply'
import { defineVisitDoor } from '../../../utils/door'

const Body = z.strictObject({ id: z.uuid(), askedOn: z.iso.date(), answer: SkinAnswer.nullable() })

/** What the client tells a day or three after: appended beside the signed record, and read by the climb. Null: they were not reached. */
export default defineVisitDoor(
  { can: 'health.write', body: Body, action: 'check_in.write' },
  async ({ db, event, account, visit, body }) => {
    const { id, askedOn, answer } = body
    if (!visit.locked_at)
      throw new Conflict({
        code: 'not_signed',
        detail: 'Sign the visit first; the answer belongs to its close.',
      })
    await addCheckIn(db, id, visit.id, askedOn, answer, account.id)
    return created(event, { id })
  },
)
