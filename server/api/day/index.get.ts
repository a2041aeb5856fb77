import type { PoolClient } from 'pg'
import { z } from 'zod'
import { initialsOf } from '#core/board'
import { laddersOf } from '../../db/board.sql'
import { openOn } from '../../db/booking.sql'
import { verdictsOf } from '../../db/plan.sql'
import { listPractitioners, listRooms, salonById } from '../../db/salon.sql'
import { visitsOn, type VisitRow } from '../../db/visit.sql'
import { cardsWithMinutes, thumbsOf } from '../../utils/board'
import { canDo } from '../../utils/capabilities'
import { defineDoor } from '../../utils/door'

const Query = z.object({ date: z.iso.date().optional() })

/** One day of the salon: its visits with their ladders in miniature, and what a booking can choose from. */
export default defineDoor({ can: 'booking', query: Query }, async ({ db, account, query }) => {
  const salon = (await salonById(db, account.salon_id))!
  const date = query.date ?? salon.today
  const visits = await visitsOn(db, account.salon_id, date)
  const mayRead = canDo(account.role, 'health.read')
  const ladders = await laddersOf(
    db,
    visits.map(({ id }) => id),
    mayRead,
  )
  return {
    date,
    today: salon.today,
    timeZone: salon.time_zone,
    turnoverMinutes: salon.turnover_minutes,
    open: await openOn(db, account.salon_id, date),
    visits: await shownVisits(db, visits, ladders, mayRead),
    choices: {
      rooms: await listRooms(db, account.salon_id),
      practitioners: await listPractitioners(db, account.salon_id),
      protocols: await cardsWithMinutes(db, account.salon_id),
    },
  }
})

async function shownVisits(
  db: PoolClient,
  visits: readonly VisitRow[],
  ladders: Awaited<ReturnType<typeof laddersOf>>,
  mayRead: boolean,
) {
  // What a ladder has lost tells of the client's health.
  const ids = visits.map(({ id }) => id)
  const verdicts = mayRead ? await verdictsOf(db, ids) : []
  const verdictOf = new Map(verdicts.map(({ visitId, ...verdict }) => [visitId, verdict]))
  const thumbOf = thumbsOf(ladders)
  return visits.map((visit) => ({
    id: visit.id,
    clientId: visit.client_id,
    client: mayRead ? visit.client_name : initialsOf(visit.client_name),
    initials: initialsOf(visit.client_name),
    roomId: visit.room_id,
    room: visit.room_name,
    practitioner: visit.practitioner_name,
    practitionerId: visit.practitioner_id,
    protocolId: visit.protocol_id,
    protocol: visit.protocol_name,
    startsAt: visit.starts_at,
    endsAt: visit.ends_at,
    roomUntil: visit.room_until,
    stage: visit.stage,
    verdict: verdictOf.get(visit.id),
    thumb: thumbOf.get(visit.id)!,
  }))
}
