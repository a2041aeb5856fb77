import { z } from 'zod'
import { listPractitioners, listRooms, salonById } from '../db/salon.sql'
import { listBookable } from '../db/protocol.sql'
import { verdictsOf } from '../db/plan.sql'
import { visitsOn } from '../db/visit.sql'
import { canDo } from '../utils/capabilities'
import { defineDoor } from '../utils/door'

const Query = z.object({ date: z.iso.date().optional() })

/** One day of the salon: its visits in order, and what a booking can choose from. */
export default defineDoor({ can: 'booking', query: Query }, async ({ db, account, query }) => {
  const { date } = query
  const salon = (await salonById(db, account.salon_id))!
  const day = date ?? salon.today
  const visits = await visitsOn(db, account.salon_id, day)
  const protocols = await listBookable(db, account.salon_id)
  // What a ladder has lost tells of the client's health.
  const verdicts = canDo(account.role, 'health.read')
    ? await verdictsOf(
        db,
        visits.map(({ id }) => id),
      )
    : []
  const verdictOf = new Map(verdicts.map(({ visitId, ...verdict }) => [visitId, verdict]))
  return {
    date: day,
    today: salon.today,
    timeZone: salon.time_zone,
    visits: visits.map((visit) => ({
      id: visit.id,
      clientId: visit.client_id,
      client: visit.client_name,
      roomId: visit.room_id,
      room: visit.room_name,
      practitioner: visit.practitioner_name,
      practitionerId: visit.practitioner_id,
      protocolId: visit.protocol_id,
      protocol: visit.protocol_name,
      startsAt: visit.starts_at,
      endsAt: visit.ends_at,
      stage: visit.stage,
      verdict: verdictOf.get(visit.id),
    })),
    choices: {
      rooms: await listRooms(db, account.salon_id),
      practitioners: await listPractitioners(db, account.salon_id),
      protocols: protocols.map(({ id, name }) => ({ id, name })),
    },
  }
})
