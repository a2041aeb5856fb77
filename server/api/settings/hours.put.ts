import { z } from 'zod'
import { overlapOf } from '#core/salon'
import { ClosedDay, Opening } from '#core/salon/model'
import { Invalid } from '#core/fault'
import { writeAudit } from '../../db/access.sql'
import { salonById, setClosedDays, setOpenings, setTurnover } from '../../db/salon.sql'
import { defineDoor } from '../../utils/door'

const Body = z.strictObject({
  hours: z.array(Opening).max(21),
  closedDays: z.array(ClosedDay).max(400),
  turnoverMinutes: z.number().int().min(0).max(60),
})

/** When the salon is open, on which days it is not, and what a room needs between two visits. */
export default defineDoor({ can: 'salon.write', body: Body }, async ({ db, account, body }) => {
  const overlap = overlapOf(body.hours)
  if (overlap) throw new Invalid({ code: 'invalid', detail: overlap, path: 'hours' })
  const { today } = (await salonById(db, account.salon_id))!
  await setOpenings(db, body.hours)
  await setClosedDays(db, today, body.closedDays)
  await setTurnover(db, account.salon_id, body.turnoverMinutes)
  await writeAudit(db, account.id, 'salon.hours', 'salon', account.salon_id)
})
