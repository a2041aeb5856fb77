import { formatInTimeZone } from './zone'
import type { CompileInput } from '#core/adapt'
import { namedIn } from '#core/formats'
import type { Step } from '#core/protocol'
import { loadClient } from '../db/client.sql'
import { loadHistory } from '../db/history.sql'
import { versionById } from '../db/protocol.sql'
import type { Db } from '../db/rows'
import { loadShelf } from '../db/shelf.sql'
import { listKnown, loadRuleSettings } from '../db/rules.sql'
import { latestReading } from '../db/reading.sql'
import { listOverrides } from '../db/plan.sql'
import { reservedDevices, type VisitRow } from '../db/visit.sql'

/** Visits that end before this hour of the salon's day end by daylight (house figure). */
const EVENING_HOUR = 18

/** Everything a visit's plan is made from, read from the database. */
export async function compileInputOf(db: Db, visit: VisitRow): Promise<CompileInput> {
  const protocol = await versionById(db, visit.protocol_version_id)
  const client = await loadClient(db, visit.client_id)
  if (!protocol || !client)
    throw new Error(`Visit ${visit.id} points to a client or protocol that is not there.`)
  const { date } = formatInTimeZone(visit.starts_at, visit.time_zone)
  return {
    protocol,
    client,
    reading: await latestReading(db, visit.id),
    history: await loadHistory(db, visit.client_id, visit.starts_at, visit.time_zone),
    shelf: await loadShelf(db, visit.salon_id, namedByVisit(protocol.steps, visit), date),
    overrides: await listOverrides(db, visit.id),
    slotMinutes: Math.round((visit.ends_at.getTime() - visit.starts_at.getTime()) / 60_000),
    practitioner: { scope: visit.scope, hazards: visit.hazards },
    settings: await loadRuleSettings(db, visit.salon_id),
    medicines: await medicinesOf(db, visit.salon_id),
    ...(visit.fit ? { fit: visit.fit } : {}),
    ...(visit.prep ? { prep: visit.prep } : {}),
    reserved: await reservedDevices(db, visit),
    date,
    daytime: formatInTimeZone(visit.ends_at, visit.time_zone).hour < EVENING_HOUR,
  }
}

const namedByVisit = (steps: readonly Step[], { prep }: VisitRow): string[] => [
  ...namedIn(steps).products,
  ...Object.values(prep?.standIns ?? {}).map((pick) => pick.productId),
  ...Object.values(prep?.partStandIns ?? {}).flatMap((parts) => Object.values(parts)),
]

/** The salon's list; an empty one means that the list which ships is used. */
async function medicinesOf(db: Db, salonId: string) {
  const list = await listKnown(db, salonId)
  return list.length > 0 ? list : undefined
}
