import { z } from 'zod'
import { NotFound } from '#core/fault'
import { bookableCards } from '../../db/protocol.sql'
import { salonById, salonInstant } from '../../db/salon.sql'
import { writeAudit } from '../../db/access.sql'
import { requireCan } from '../../utils/access'
import { cardMoney } from '../../utils/money'
import { useDb } from '../../utils/db'
import { parsed } from '../../utils/problem'
import { bookingInputOf } from '../../utils/visit-input'

const Body = z.strictObject({
  clientId: z.uuid(),
  practitionerId: z.uuid(),
  date: z.iso.date(),
  time: z.iso.time({ precision: -1 }),
  slotMinutes: z.number().int().min(15).max(240),
})

/** What is known of a client for a visit that is not booked yet, and every card: so that a booking can be made with one that suits. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'health.read')
  const body = parsed(Body, await readBody(event))
  const db = useDb()
  const salon = (await salonById(db, account.salon_id))!
  const startsAt = await salonInstant(db, account.salon_id, body.date, body.time)
  const seat = { ...body, salonId: account.salon_id, startsAt, timeZone: salon.time_zone }
  const cards = await bookableCards(db, account.salon_id)
  const input = await bookingInputOf(db, seat, cards)
  if (!input)
    throw new NotFound({
      code: 'no_client',
      detail: 'There is no such client or practitioner.',
      path: 'clientId',
    })
  await writeAudit(db, account.id, 'health.read', 'client', body.clientId)
  return { input, cards, ...(await cardMoney(db, account.salon_id)) }
})
