import { z } from 'zod'
import { Conflict } from '#core/fault'
import { writeAudit } from '../../../db/access.sql'
import { callOffVisit } from '../../../db/booking.sql'
import { worldOf } from '../../../utils/db'
import { defineVisitDoor } from '../../../utils/door'
import { queueVisitMessage } from '../../../utils/messages'

const Body = z.strictObject({
  reason: z.string().trim().min(1, 'say why in a word').max(300),
  /** Nobody came. */
  noShow: z.boolean(),
  /** The client is told by e-mail. */
  tell: z.boolean().default(false),
})

/** Calls a visit off, or writes down that nobody came. It stays in the record; its room and its person are free. */
export default defineVisitDoor(
  { can: 'booking', body: Body },
  async ({ db, event, account, visit, body }) => {
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
    const { reason, noShow } = body
    await callOffVisit(db, visit.id, { reason, noShow, by: account.id })
    if (body.tell)
      await queueVisitMessage(db, account, { ...visit, stage: 'called-off' }, worldOf(event))
    const action = body.noShow ? 'visit.no_show' : 'visit.call_off'
    await writeAudit(db, account.id, action, 'visit', visit.id)
  },
)
