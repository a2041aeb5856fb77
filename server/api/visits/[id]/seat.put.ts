import { z } from 'zod'
import { Conflict } from '#core/fault'
import { writeAudit } from '../../../db/access.sql'
import { moveVisit } from '../../../db/booking.sql'
import { salonById, salonInstant } from '../../../db/salon.sql'
import { seatFault } from '../../../utils/booking'
import { defineVisitDoor } from '../../../utils/door'

const Body = z.strictObject({
  date: z.iso.date(),
  time: z.iso.time({ precision: -1 }),
  slotMinutes: z.number().int().min(15).max(240),
  roomId: z.uuid(),
  practitionerId: z.uuid(),
})

/** Puts a visit elsewhere: another time, room, person or length. One that has begun stays where it is. */
export default defineVisitDoor(
  { can: 'booking', body: Body },
  async ({ db, account, visit, body }) => {
    if (visit.stage === 'performing' || visit.stage === 'closed')
      throw new Conflict({
        code: 'underway',
        detail: 'This visit has begun: it is not moved any more.',
      })
    const salon = (await salonById(db, account.salon_id))!
    const fault = await seatFault(db, salon, body, { but: visit.id })
    if (fault) throw fault
    const startsAt = await salonInstant(db, account.salon_id, body.date, body.time)
    await moveVisit(db, visit.id, {
      ...body,
      ...{ startsAt, turnoverMinutes: salon.turnover_minutes },
    })
    await writeAudit(db, account.id, 'visit.move', 'visit', visit.id, {
      from: visit.starts_at.toISOString(),
      to: startsAt.toISOString(),
    })
  },
)
