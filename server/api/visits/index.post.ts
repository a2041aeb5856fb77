import { randomUUID } from 'node:crypto'
import type { PoolClient } from 'pg'
import { z } from 'zod'
import { dateAfter } from '#core/client'
import { Conflict, Invalid } from '#core/fault'
import type { ProtocolVersion } from '#core/protocol'
import { salonById, salonInstant } from '../../db/salon.sql'
import { bookVisit, type Turn } from '../../db/visit.sql'
import { writeAudit } from '../../db/access.sql'
import { bookableVersion } from '../../utils/bookable'
import { nearestInWords, seatFault, seatsOn } from '../../utils/booking'
import { placedInTurn, timesInTurn, turnsOn } from '../../utils/turns'
import { created } from '../../utils/reply'
import { defineDoor } from '../../utils/door'
import { requireClient } from '../../utils/open-client'

const Body = z.strictObject({
  clientId: z.uuid(),
  roomId: z.uuid(),
  practitionerId: z.uuid(),
  protocolId: z.string().max(80),
  /** Day and time of day on the salon's own clock. */
  date: z.iso.date(),
  time: z.iso.time({ precision: -1 }),
  slotMinutes: z.number().int().min(15).max(240),
  /** So many visits in all, so many days apart, at the same time of day: all of them or none. */
  repeat: z
    .strictObject({
      count: z.number().int().min(2).max(26),
      everyDays: z.number().int().min(1).max(182),
    })
    .optional(),
  /** Takes turns with another client of the same practitioner: their steps are one after the other, not their visits. */
  turns: z.literal(true).optional(),
})

/** Books a visit, or several of a row in one step. Refused with the reason and the nearest times that fit. */
export default defineDoor({ can: 'booking', body: Body }, async ({ db, event, account, body }) => {
  const card = await bookableVersion(db, account.salon_id, body.protocolId)
  const { repeat, ...wish } = body
  if (repeat && wish.turns)
    throw new Invalid({
      code: 'invalid',
      detail: 'A visit that takes turns with another one is booked on its own, not in a row.',
      path: 'repeat',
    })
  await requireClient(db, account.salon_id, body.clientId, { path: 'clientId' })
  const ids: string[] = []
  for (const date of datesOf(body.date, repeat))
    ids.push(await bookOne(db, account, { ...wish, date, card }, repeat !== undefined))
  return created(event, { id: ids[0]!, ids })
})

function datesOf(date: string, repeat: { count: number; everyDays: number } | undefined) {
  if (!repeat) return [date]
  const after = (days: number) => dateAfter(date, days)
  return Array.from({ length: repeat.count }, (_, at) => after(at * repeat.everyDays))
}

type Seated = Omit<Wish, 'card' | 'turns'> & { readonly id: string; readonly startsAt: Date }
type Wish = Omit<z.infer<typeof Body>, 'repeat'> & { readonly card: ProtocolVersion }

async function bookOne(
  db: PoolClient,
  account: { readonly id: string; readonly salon_id: string },
  { card, turns: takesTurns, ...wish }: Wish,
  isOneOfMany: boolean,
): Promise<string> {
  const salon = (await salonById(db, account.salon_id))!
  const id = randomUUID()
  const startsAt = await salonInstant(db, account.salon_id, wish.date, wish.time)
  const fault = await seatFault(db, salon, wish, { inTurn: takesTurns ?? false })
  if (fault && isOneOfMany)
    throw new Conflict({ ...fault.problem, detail: `${wish.date}: ${fault.problem.detail}` })
  if (fault) throw fault
  const turns = takesTurns && (await inTurn(db, salon, card, { id, startsAt, ...wish }))
  await bookVisit(db, {
    ...wish,
    protocolVersionId: card.id,
    ...(turns ? { turns } : {}),
    ...{ id, salonId: account.salon_id, startsAt, turnoverMinutes: salon.turnover_minutes },
  })
  await writeAudit(db, account.id, 'visit.book', 'visit', id)
  return id
}

/** How it takes turns with what else the practitioner does then; refused with the nearest times at which it could. */
async function inTurn(
  db: PoolClient,
  salon: NonNullable<Awaited<ReturnType<typeof salonById>>>,
  card: ProtocolVersion,
  { id, startsAt, date, slotMinutes: most, practitionerId, roomId }: Seated,
): Promise<readonly Turn[]> {
  const turns = await turnsOn(db, salon, date)
  const others = turns.filter((one) => one.practitionerId === practitionerId)
  const placed = placedInTurn(card, others, { id, atMs: +startsAt, most })
  if (placed) return [...placed.met, placed]
  const seats = await seatsOn(db, salon.id, date)
  const own = { ...seats, rooms: [roomId], practitioners: [practitionerId] }
  const times = timesInTurn(card, own, turns, {
    ...{ most, turnover: salon.turnover_minutes, notBeforeMs: 0 },
  })
  throw new Conflict({
    code: 'practitioner_taken',
    detail: `Both clients would want the same hands, or somebody to stay, at once. ${await nearestInWords(db, salon.id, times, +startsAt)}`,
    path: 'practitionerId',
  })
}
