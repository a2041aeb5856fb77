import { z } from 'zod'
import { Conflict } from '#core/fault'
import { writeAudit } from '../../../db/access.sql'
import { callOffVisit } from '../../../db/booking.sql'
import { defineVisitDoor } from '../../../utils/door'

const Body = z.strictObject({
  reason: z.string().trim().min(1, 'say why in a word').max(300),
  /** Nobody came. */
  noShow: z.boolean(),
})

/** Calls a visit off, or writes down that nobody came. It stays in the record; its room and its person are free. */
export default defineVisitDoor(
  { can: 'booking', body: Body },
  async ({ db, account, visit, body }) => {
    if (visit.stage === 'performing' || visit.stage === 'closed')
      throw new Conflict({
        code: 'underway',
        detail: 'This visit has begun: it is closed, not called off.',
      })
    if (body.noShow && visit.starts_at.getTime() > Date.now())
      throw new Conflict({
        code: 'not_yet',
        detail: 'The visit has not begun yet: call it off instead.',
        path: 'noShow',
      })
    await callOffVisit(db, visit.id, { ...body, by: account.id })
    const action = body.noShow ? 'visit.no_show' : 'visit.call_off'
    await writeAudit(db, account.id, action, 'visit', visit.id)
  },
)
