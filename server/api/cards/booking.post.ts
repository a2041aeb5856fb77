import { z } from 'zod'
import { NotFound } from '#core/fault'
import { bookableCards } from '../../db/protocol.sql'
import { salonById, salonInstant } from '../../db/salon.sql'
import { writeAudit } from '../../db/access.sql'
import { notAllowed } from '../../utils/access'
import { canDo } from '../../utils/capabilities'
import { cardMoney } from '../../utils/money'
import { bookingInputOf } from '../../utils/visit-input'
import { defineDoor } from '../../utils/door'
import { requireClient } from '../../utils/open-client'

const seat = {
  practitionerId: z.uuid(),
  slotMinutes: z.number().int().min(15).max(240),
}
const Body = z.union([
  z.strictObject({
    ...seat,
    clientId: z.uuid(),
    date: z.iso.date(),
    time: z.iso.time({ precision: -1 }),
  }),
  /** Somebody who has just come in: from now. */
  z.strictObject({ ...seat, bornOn: z.iso.date() }),
])

/**
 * What is known of a client for a visit that is not booked yet, and every card: so that a booking can be made with one that suits. Of
 * somebody who has just come in nothing is known: as if every answer were no, until it is asked.
 */
export default defineDoor({ can: 'booking', body: Body }, async ({ db, account, body }) => {
  const isKnown = 'clientId' in body
  if (isKnown && !canDo(account.role, 'health.read')) throw notAllowed()
  if (isKnown) await requireClient(db, account.salon_id, body.clientId, { path: 'clientId' })
  const salon = (await salonById(db, account.salon_id))!
  const startsAt = isKnown
    ? await salonInstant(db, account.salon_id, body.date, body.time)
    : new Date()
  const { practitionerId, slotMinutes } = body
  const seat = { salonId: account.salon_id, who: body, practitionerId, slotMinutes, startsAt }
  const cards = await bookableCards(db, account.salon_id)
  const input = await bookingInputOf(db, { ...seat, timeZone: salon.time_zone }, cards)
  if (!input)
    throw new NotFound({
      code: 'no_client',
      detail: 'There is no such client or practitioner.',
      path: 'clientId',
    })
  if (isKnown) await writeAudit(db, account.id, 'health.read', 'client', body.clientId)
  return { input, cards, ...(await cardMoney(db, account.salon_id)) }
})
