import { randomUUID } from 'node:crypto'
import type { PoolClient } from 'pg'
import { dateAfter } from '#core/client'
import { composedShelf } from '#core/mixing'
import { publishText } from '../server/db/consent.sql'
import { addProtocol, publishVersion } from '../server/db/protocol.sql'
import { addAccount, addPractitioner, setScope } from '../server/db/people.sql'
import { addRoom, addSalon, setOpenings } from '../server/db/salon.sql'
import { setPrice, setRates } from '../server/db/money.sql'
import { saveBatches } from '../server/db/batch.sql'
import { saveProducts } from '../server/db/product.sql'
import { saveDevice, saveKit, saveSupply } from '../server/db/things.sql'
import { bookVisit } from '../server/db/visit.sql'
import { hashPassword } from '../server/utils/password'
import { CONSENT_TEXTS } from './consents'
import { CLIENTS, DEMO_PASSWORD, HOURS_OPEN, PEOPLE, ROOMS, SALON } from './people'
import { DEMO_PROTOCOLS } from './protocols'
import { DEMO_SHELF } from './shelf'
import { KITS, SUPPLIES } from './shelf/mixes'
import { ADD_ON_PRICES, demoBatches, PRICES, RATES } from './stock'
import { loadClientWithPast } from './load-client'

export interface Studio {
  db: PoolClient
  salonId: string
  rooms: string[]
  practitioners: { id: string; name: string }[]
  accounts: Map<string, string>
  today: string
}

/** A little more than the longest time a lever waits, age included. */
export const DAYS_BETWEEN_VISITS = 35

/** Who of the demo is a minor, whatever the day: one is sixteen or seventeen for some years yet. */
export const MINORS_BORN_AFTER = '2008'

const HOURS = [8, 10, 12, 14, 16] as const

export const SLOT_MINUTES = 90

/** Fills an empty database with the demo studio; dates are counted from `today` (ISO). Runs inside the caller's transaction. */
export async function loadDemo(db: PoolClient, today: string) {
  const studio = await loadStudio(db, today)
  const clients: string[] = []
  for (const [at, client] of CLIENTS.entries())
    clients.push(await loadClientWithPast(studio, client, at))
  await bookAhead(studio, clients)
}

async function loadStudio(db: PoolClient, today: string): Promise<Studio> {
  const studio: Studio = {
    db,
    salonId: randomUUID(),
    rooms: [],
    practitioners: [],
    accounts: new Map(),
    today,
  }
  await addSalon(db, { id: studio.salonId, ...SALON })
  // Rows that hang on others take their salon from here.
  await db.query("SELECT set_config('zen.salon', $1, true)", [studio.salonId])
  for (const name of ROOMS) {
    const id = randomUUID()
    await addRoom(db, id, studio.salonId, name)
    studio.rooms.push(id)
  }
  const hash = await hashPassword(DEMO_PASSWORD)
  for (const person of PEOPLE) {
    const practitionerId = person.practitioner ? randomUUID() : null
    if (practitionerId) {
      await addPractitioner(db, { id: practitionerId, salonId: studio.salonId, name: person.name })
      const scope = person.scope.map((technique) => ({ technique, licence: '' }))
      await setScope(db, practitionerId, scope)
      studio.practitioners.push({ id: practitionerId, name: person.name })
    }
    const accountId = randomUUID()
    await addAccount(db, {
      ...{ id: accountId, salonId: studio.salonId, email: person.email, name: person.name },
      ...{ role: person.role, practitionerId, passwordHash: hash, demo: true },
    })
    if (practitionerId) studio.accounts.set(practitionerId, accountId)
  }
  await setOpenings(db, HOURS_OPEN)
  await loadStock(studio)
  for (const text of CONSENT_TEXTS)
    await publishText(db, studio.salonId, { id: randomUUID(), version: 1, ...text })
  for (const version of DEMO_PROTOCOLS) {
    await addProtocol(db, studio.salonId, version.protocolId, version.name)
    await publishVersion(db, version, null)
  }
  return studio
}

async function loadStock({ db, salonId, today }: Studio) {
  await saveProducts(db, salonId, DEMO_SHELF.products)
  await saveBatches(
    db,
    DEMO_SHELF.products.flatMap((product, index) =>
      demoBatches(product, index, today).map((batch) => ({ ...batch, productId: product.id })),
    ),
    { reason: 'received', accountId: null },
  )
  for (const device of DEMO_SHELF.devices) await saveDevice(db, salonId, device)
  for (const supply of SUPPLIES) await saveSupply(db, salonId, supply)
  for (const kit of KITS) await saveKit(db, salonId, kit)
  await setRates(db, salonId, { ...RATES, turnoverMinutes: SALON.turnoverMinutes })
  for (const [ref, [priceMinor, goingMinor]] of Object.entries(PRICES))
    await setPrice(db, salonId, { kind: 'protocol', ref, priceMinor, goingMinor })
  for (const [ref, [priceMinor, goingMinor]] of Object.entries(ADD_ON_PRICES))
    await setPrice(db, salonId, { kind: 'add-on', ref, priceMinor, goingMinor })
}

export const instantOf = (day: string, hour: number): Date =>
  new Date(`${day}T${String(hour).padStart(2, '0')}:00:00Z`)

/** Who is away came on days of their own, so that no two are booked on one seat. */
export const AWAY_DAYS = 3

/** Room by half of the list, hour by place in it, so that no two clash; the practitioner goes with the room. */
export function seatOf(studio: Studio, index: number) {
  const room = index < HOURS.length ? 0 : 1
  return {
    roomId: studio.rooms[room]!,
    practitioner: studio.practitioners[room + 1]!,
    hour: HOURS[index % HOURS.length]!,
  }
}

export const SHELF = composedShelf(DEMO_SHELF)

/** Today eight come, two another day this week; everybody's next visit follows a turnover of the skin later. */
async function bookAhead(studio: Studio, clients: readonly string[]) {
  for (const [index, clientId] of clients.entries()) {
    const seat = seatOf(studio, index)
    for (const { day, card } of daysAhead(index)) {
      await bookVisit(studio.db, {
        id: randomUUID(),
        salonId: studio.salonId,
        clientId,
        roomId: seat.roomId,
        practitionerId: seat.practitioner.id,
        protocolVersionId: `${card}-v1`,
        startsAt: instantOf(dateAfter(studio.today, day), seat.hour),
        slotMinutes: SLOT_MINUTES,
        turnoverMinutes: SALON.turnoverMinutes,
      })
    }
  }
}

/** Days from today for which a client of the demo is booked, with the card. */
function daysAhead(index: number): { day: number; card: string }[] {
  const { away, nextInDays, today, protocol } = CLIENTS[index]!
  if (away) return nextInDays === undefined ? [] : [{ day: nextInDays, card: protocol }]
  const first = index % HOURS.length === HOURS.length - 1 ? 1 + Math.floor(index / HOURS.length) : 0
  return [
    { day: first, card: today ?? protocol },
    { day: DAYS_BETWEEN_VISITS + index, card: protocol },
  ]
}
