import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { salonById, salonInstant } from '../../db/salon.sql'
import { bookVisit } from '../../db/visit.sql'
import { writeAudit } from '../../db/access.sql'
import { bookableVersion } from '../../utils/bookable'
import { created } from '../../utils/reply'
import { defineDoor } from '../../utils/door'

const Body = z.strictObject({
  clientId: z.uuid(),
  roomId: z.uuid(),
  practitionerId: z.uuid(),
  protocolId: z.string().max(80),
  /** Day and time of day on the salon's own clock. */
  date: z.iso.date(),
  time: z.iso.time({ precision: -1 }),
  slotMinutes: z.number().int().min(15).max(240),
})

export default defineDoor({ can: 'booking', body: Body }, async ({ db, event, account, body }) => {
  const version = await bookableVersion(db, account.salon_id, body.protocolId)
  const salon = (await salonById(db, account.salon_id))!
  const id = randomUUID()
  const startsAt = await salonInstant(db, account.salon_id, body.date, body.time)
  await bookVisit(db, {
    ...body,
    id,
    salonId: account.salon_id,
    protocolVersionId: version.id,
    startsAt,
    turnoverMinutes: salon.turnover_minutes,
  })
  await writeAudit(db, account.id, 'visit.book', 'visit', id)

  return created(event, { id })
})
