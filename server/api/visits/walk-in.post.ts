import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { IsoDate } from '#core/client/model'
import { writeAudit } from '../../db/access.sql'
import { addClient } from '../../db/client.sql'
import { salonById } from '../../db/salon.sql'
import { bookVisit } from '../../db/visit.sql'
import { bookableVersion } from '../../utils/bookable'
import { requireBirthday } from '../../utils/client-details'
import { created } from '../../utils/reply'
import { defineDoor } from '../../utils/door'

const MINUTE_MS = 60_000
const Body = z.strictObject({
  name: z.string().trim().min(2).max(120),
  bornOn: IsoDate,
  roomId: z.uuid(),
  practitionerId: z.uuid(),
  protocolId: z.string().max(80),
  slotMinutes: z.number().int().min(15).max(240),
})

/** Somebody comes in without a booking: a name, a birthday, and a visit from now. The twelve stop questions come on Consult. */
export default defineDoor({ can: 'booking', body: Body }, async ({ db, event, account, body }) => {
  const { id: protocolVersionId } = await bookableVersion(db, account.salon_id, body.protocolId)
  const salon = (await salonById(db, account.salon_id))!
  requireBirthday(body.bornOn, salon.today)
  const [id, clientId] = [randomUUID(), randomUUID()]
  const { name, bornOn } = body
  const client = { id: clientId, salonId: account.salon_id, name, bornOn }
  const booking = {
    ...body,
    id,
    clientId,
    salonId: account.salon_id,
    protocolVersionId,
    startsAt: new Date(Math.floor(Date.now() / MINUTE_MS) * MINUTE_MS),
    turnoverMinutes: salon.turnover_minutes,
    walkIn: true,
  }
  await addClient(db, client)
  await bookVisit(db, booking)
  await writeAudit(db, account.id, 'visit.walk_in', 'client', clientId, { visit: id })

  return created(event, { id })
})
