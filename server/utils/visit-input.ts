import { formatInTimeZone } from './zone'
import type { CompileInput, Reservation } from '#core/adapt'
import { boundSpans } from '#core/booking'
import { namedIn } from '#core/formats'
import { CHANGE_OVER_S, type ProtocolVersion, type Step } from '#core/protocol'
import { nothingKnown, nothingOfTheDay } from '#core/client'
import { isClientOf, loadClient } from '../db/client.sql'
import { loadHistory } from '../db/history.sql'
import { versionById } from '../db/protocol.sql'
import type { Db } from '../db/rows'
import { practitionerById } from '../db/salon.sql'
import { loadShelf } from '../db/shelf.sql'
import { listKnown, loadRuleSettings } from '../db/rules.sql'
import { latestReading } from '../db/reading.sql'
import { listOverrides } from '../db/plan.sql'
import { bookedBeside, ladderBeside, reservedDevices } from '../db/beside.sql'
import type { VisitRow } from '../db/visit.sql'

/** Visits that end before this hour of the salon's day end by daylight (house figure). */
const EVENING_HOUR = 18

/** Everything a visit's plan is made from, read from the database. */
export async function compileInputOf(db: Db, visit: VisitRow): Promise<CompileInput> {
  const protocol = await versionById(db, visit.salon_id, visit.protocol_version_id)
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
    reserved: [...(await reservedDevices(db, visit)), ...(await handsElsewhere(db, visit))],
    date,
    daytime: formatInTimeZone(visit.ends_at, visit.time_zone).hour < EVENING_HOUR,
  }
}

/** When other visits want the same pair of hands, with the way there: as they are fitted, else as they were booked. */
async function handsElsewhere(db: Db, visit: VisitRow): Promise<Reservation[]> {
  const fitted = (await ladderBeside(db, visit)).flatMap(({ offsetS, segments }) =>
    boundSpans(segments).map(({ fromS, toS }) => ({ fromS: offsetS + fromS, toS: offsetS + toS })),
  )
  const all = [...fitted, ...(await bookedBeside(db, visit))]
  return all.map(({ fromS, toS }) => ({ fromS: fromS - CHANGE_OVER_S, toS }))
}

/** A client of the salon; or somebody who has just come in, of whom only the birthday is known. */
type Who = { readonly clientId: string } | { readonly bornOn: string }

interface Seat {
  readonly salonId: string
  readonly who: Who
  readonly practitionerId: string
  readonly startsAt: Date
  readonly slotMinutes: number
  readonly timeZone: string
}

/**
 * What a visit that is not booked yet would be fitted from, for any card: nothing of the day is true beforehand, and the skin has not been read.
 * Undefined where client or practitioner is not of this salon.
 */
export async function bookingInputOf(
  db: Db,
  { salonId, who, practitionerId, startsAt, slotMinutes, timeZone }: Seat,
  cards: readonly ProtocolVersion[],
): Promise<Omit<CompileInput, 'protocol'> | undefined> {
  const { date } = formatInTimeZone(startsAt, timeZone)
  const client = await clientFor(db, salonId, who, date)
  const practitioner = await practitionerById(db, salonId, practitionerId)
  if (!client || !practitioner) return undefined
  const endsAt = new Date(startsAt.getTime() + slotMinutes * 60_000)
  return {
    client,
    reading: { done: false, findings: [], lesions: [], meters: [] },
    history: 'clientId' in who ? await loadHistory(db, who.clientId, startsAt, timeZone) : [],
    shelf: await loadShelf(
      db,
      salonId,
      namedIn(cards.flatMap((card) => card.steps)).products,
      date,
    ),
    overrides: [],
    slotMinutes,
    practitioner,
    settings: await loadRuleSettings(db, salonId),
    medicines: await medicinesOf(db, salonId),
    date,
    daytime: formatInTimeZone(endsAt, timeZone).hour < EVENING_HOUR,
  }
}

async function clientFor(
  db: Db,
  salonId: string,
  who: Who,
  date: string,
): Promise<CompileInput['client'] | undefined> {
  if ('bornOn' in who) return { ...NOBODY, bornOn: who.bornOn, facts: nothingKnown(date) }
  const { clientId } = who
  const client = (await isClientOf(db, salonId, clientId)) && (await loadClient(db, clientId))
  return client ? { ...client, facts: [...client.facts, ...nothingOfTheDay(date)] } : undefined
}

const NOBODY = {
  id: 'walk-in',
  name: 'Walk-in',
  memories: [],
  clearances: [],
  patchTests: [],
  concerns: [],
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
