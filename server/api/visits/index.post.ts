import { addDays, format, parseISO } from 'date-fns'
import { randomUUID } from 'node:crypto'
import type { PoolClient } from 'pg'
import { z } from 'zod'
import { Conflict } from '#core/fault'
import { salonById, salonInstant } from '../../db/salon.sql'
import { bookVisit } from '../../db/visit.sql'
import { writeAudit } from '../../db/access.sql'
import { bookableVersion } from '../../utils/bookable'
import { seatFault } from '../../utils/booking'
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
})

/** Books a visit, or several of a row in one step. Refused with the reason and the nearest times that fit. */
export default defineDoor({ can: 'booking', body: Body }, async ({ db, event, account, body }) => {
  const { id: protocolVersionId } = await bookableVersion(db, account.salon_id, body.protocolId)
  const { repeat, ...wish } = body
  await requireClient(db, account.salon_id, body.clientId, { path: 'clientId' })
  const ids: string[] = []
  for (const date of datesOf(body.date, repeat))
    ids.push(await bookOne(db, account, { ...wish, date, protocolVersionId }, repeat !== undefined))
  return created(event, { id: ids[0]!, ids })
})

function datesOf(date: string, repeat: { count: number; everyDays: number } | undefined) {
  if (!repeat) return [date]
  const after = (days: number) => format(addDays(parseISO(date), days), 'yyyy-MM-dd')
  return Array.from({ length: repeat.count }, (_, at) => after(at * repeat.everyDays))
}

type Wish = Omit<z.infer<typeof Body>, 'repeat'> & { readonly protocolVersionId: string }

async function bookOne(
  db: PoolClient,
  account: { readonly id: string; readonly salon_id: string },
  wish: Wish,
  isOneOfMany: boolean,
): Promise<string> {
  const salon = (await salonById(db, account.salon_id))!
  const fault = await seatFault(db, salon, wish)
  if (fault && isOneOfMany)
    throw new Conflict({ ...fault.problem, detail: `${wish.date}: ${fault.problem.detail}` })
  if (fault) throw fault
  const id = randomUUID()
  const startsAt = await salonInstant(db, account.salon_id, wish.date, wish.time)
  await bookVisit(db, {
    ...wish,
    ...{ id, salonId: account.salon_id, startsAt, turnoverMinutes: salon.turnover_minutes },
  })
  await writeAudit(db, account.id, 'visit.book', 'visit', id)
  return id
}
