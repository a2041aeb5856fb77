import { addDays, format, parseISO } from 'date-fns'
import { randomUUID } from 'node:crypto'
import type { PoolClient } from 'pg'
import { compile, type FittedPlan } from '#core/adapt'
import { SkinAnswer } from '#core/climb/model'
import { summedUses, usedBy } from '#core/costing'
import { composedShelf } from '#core/mixing'
import { answerByMedicines, KNOWN, QUESTIONS } from '#core/client'
import type { RunEvent } from '#core/perform'
import { execute } from '../server/db/rows'
import { addClient, addFact, addPatchTest } from '../server/db/client.sql'
import { addConsent, newestTexts, publishText, type ConsentKind } from '../server/db/consent.sql'
import { addPhoto } from '../server/db/photo.sql'
import { addProtocol, publishVersion } from '../server/db/protocol.sql'
import { addSalon } from '../server/db/salon.sql'
import { setPrice, setRates } from '../server/db/money.sql'
import { addUses } from '../server/db/use.sql'
import { saveBatches } from '../server/db/batch.sql'
import { saveProducts } from '../server/db/product.sql'
import { saveDevice, saveKit, saveSupply } from '../server/db/things.sql'
import { addEvents } from '../server/db/run.sql'
import { addPlan } from '../server/db/plan.sql'
import { addReading } from '../server/db/reading.sql'
import { bookVisit, visitById } from '../server/db/visit.sql'
import { signVisit } from '../server/db/outcome.sql'
import { hashPassword } from '../server/utils/password'
import { compileInputOf } from '../server/utils/visit-input'
import { CONSENT_TEXTS } from './consents'
import { CLIENTS, DEMO_PASSWORD, PEOPLE, ROOMS, SALON, type DemoClient } from './people'
import { drawnPhoto } from './photos'
import { DEMO_PROTOCOLS } from './protocols'
import { DEMO_SHELF } from './shelf'
import { KITS, SUPPLIES } from './shelf-mixes'
import { ADD_ON_PRICES, demoBatches, PRICES, RATES } from './stock'

interface Studio {
  db: PoolClient
  salonId: string
  rooms: string[]
  practitioners: { id: string; name: string }[]
  accounts: Map<string, string>
  today: string
}

/** A little more than the longest time a lever waits, age included. */
const DAYS_BETWEEN_VISITS = 35
/** Who of the demo is a minor, whatever the day: one is sixteen or seventeen for some years yet. */
const MINORS_BORN_AFTER = '2008'
const HOURS = [8, 10, 12, 14, 16] as const
const SLOT_MINUTES = 90

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
  for (const name of ROOMS) {
    const id = randomUUID()
    studio.rooms.push(id)
    await execute(db, 'INSERT INTO room (id, salon_id, name) VALUES ($1, $2, $3)', [
      id,
      studio.salonId,
      name,
    ])
  }
  const hash = await hashPassword(DEMO_PASSWORD)
  for (const person of PEOPLE) {
    const practitionerId = person.practitioner ? randomUUID() : null
    if (practitionerId) {
      await execute(
        db,
        `INSERT INTO practitioner (id, salon_id, name, scope)
          VALUES ($1, $2, $3, $4)`,
        [practitionerId, studio.salonId, person.name, person.scope],
      )
      studio.practitioners.push({ id: practitionerId, name: person.name })
    }
    const accountId = randomUUID()
    await execute(
      db,
      `INSERT INTO account (id, salon_id, email, name, role, practitioner_id, password_hash, demo)
        VALUES ($1, $2, $3, $4, $5, $6, $7, true)`,
      [accountId, studio.salonId, person.email, person.name, person.role, practitionerId, hash],
    )
    if (practitionerId) studio.accounts.set(practitionerId, accountId)
  }
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

const dayFrom = (today: string, days: number): string =>
  format(addDays(parseISO(today), days), 'yyyy-MM-dd')
const at = (day: string, hour: number): Date =>
  new Date(`${day}T${String(hour).padStart(2, '0')}:00:00Z`)

/** Who is away came on days of their own, so that no two are booked on one seat. */
const AWAY_DAYS = 3
/** Room by half of the list, hour by place in it, so that no two clash; the practitioner goes with the room. */
function seatOf(studio: Studio, index: number) {
  const room = index < HOURS.length ? 0 : 1
  return {
    roomId: studio.rooms[room]!,
    practitioner: studio.practitioners[room + 1]!,
    hour: HOURS[index % HOURS.length]!,
  }
}

async function loadClientWithPast(
  studio: Studio,
  demo: DemoClient,
  index: number,
): Promise<string> {
  const { db } = studio
  const id = randomUUID()
  const first = dayFrom(studio.today, -DAYS_BETWEEN_VISITS * demo.past.length)
  await addClient(db, {
    id,
    salonId: studio.salonId,
    name: demo.name,
    bornOn: demo.bornOn,
    concerns: demo.concerns,
    notes: demo.notes,
  })
  const inForce = new Map(
    demo.yes.map((fact) => [fact.code, { ...fact, answer: 'yes' as const, askedOn: first }]),
  )
  for (const code of [...QUESTIONS.map((question) => question.code), 'allergy:any']) {
    if (inForce.has(code) || demo.unknown?.includes(code) || code === 'guardian-consent') continue
    await addFact(
      db,
      randomUUID(),
      id,
      answerByMedicines(code, inForce, KNOWN, first) ?? { code, answer: 'no', askedOn: first },
      null,
    )
  }
  for (const fact of inForce.values()) await addFact(db, randomUUID(), id, fact, null)
  if (demo.bornOn > MINORS_BORN_AFTER)
    await addFact(
      db,
      randomUUID(),
      id,
      { code: 'guardian-consent', answer: 'yes', askedOn: first, on: first },
      null,
    )
  const account = studio.accounts.get(studio.practitioners[0]!.id)!
  for (const productId of demo.tested ?? [])
    await addPatchTest(
      db,
      randomUUID(),
      id,
      {
        productId,
        kind: 'delayed',
        zone: 'ears',
        placedOn: dayFrom(studio.today, -32),
        readOn: dayFrom(studio.today, -30),
        result: 'calm',
      },
      account,
    )
  for (const productId of demo.refused ?? [])
    await execute(
      db,
      `INSERT INTO product_memory (client_id, product_id, memory, since)
        VALUES ($1, $2, $3, $4)`,
      [id, productId, 'refused', first],
    )
  for (const [k, answer] of demo.past.entries())
    await loadPastVisit(
      studio,
      demo,
      id,
      index,
      k,
      dayFrom(
        studio.today,
        -DAYS_BETWEEN_VISITS * (demo.past.length - k) - (demo.away ? AWAY_DAYS : 0),
      ),
      answer,
    )
  return id
}

async function loadPastVisit(
  studio: Studio,
  demo: DemoClient,
  clientId: string,
  index: number,
  k: number,
  day: string,
  answer: Partial<SkinAnswer>,
) {
  const { db } = studio
  const seat = seatOf(studio, index)
  const id = randomUUID()
  const startsAt = at(day, seat.hour)
  await bookVisit(db, {
    id,
    salonId: studio.salonId,
    clientId,
    roomId: seat.roomId,
    practitionerId: seat.practitioner.id,
    protocolVersionId: `${demo.protocol}-v1`,
    startsAt,
    slotMinutes: SLOT_MINUTES,
    turnoverMinutes: SALON.turnoverMinutes,
  })
  const account = studio.accounts.get(seat.practitioner.id) ?? null
  await addReading(
    db,
    randomUUID(),
    id,
    {
      done: true,
      findings: [...demo.findings],
      lesions: [...(demo.lesions ?? [])],
      meters: [...(demo.meters ?? [])],
    },
    account,
  )
  const visit = (await visitById(db, studio.salonId, id))!
  if (k === 0) await signConsents(studio, demo, clientId, id, day, account!)
  if (demo.photographed) await loadPhotos(studio, demo, clientId, id, day, account!)
  const plan = compile(await compileInputOf(db, visit))
  await addPlan(db, randomUUID(), id, plan, account)
  const log = performedLog(plan, startsAt.getTime())
  await addEvents(db, id, log, account)
  await addUses(db, id, usedThen(plan.steps))
  const full = SkinAnswer.parse({
    redness: 0,
    rednessHours: 0,
    stinging: 0,
    swelling: false,
    blisters: false,
    weeping: false,
    burn: false,
    ...answer,
  })
  const actualS = Math.round((log.at(-1)!.wallMs - startsAt.getTime()) / 1000)
  await signVisit(
    db,
    id,
    { answer: full, levers: plan.levers, note: '', plannedS: plan.totalS, actualS },
    account,
    seat.practitioner.name,
  )
}

const SIGNED =
  '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 300 100"><path d="M20 70 C40 10 60 10 62 60 C70 84 90 30 104 44 C112 74 130 40 142 50 C160 66 190 30 280 58" fill="none" stroke="black" stroke-width="2.5"/></svg>'

/** What was signed at the first visit; for a minor by a guardian. One client's consent is still open. */
async function signConsents(
  studio: Studio,
  demo: DemoClient,
  clientId: string,
  visitId: string,
  day: string,
  account: string,
) {
  const minor = demo.bornOn > MINORS_BORN_AFTER
  const kinds: readonly ConsentKind[] = [
    ...(demo.unsigned ? [] : ['treatment' as const]),
    ...(minor ? ['guardian' as const] : []),
    ...(demo.photographed ? ['photo-record' as const] : []),
  ]
  for (const text of (await newestTexts(studio.db, studio.salonId)).filter((one) =>
    kinds.includes(one.kind),
  )) {
    await addConsent(
      studio.db,
      {
        id: randomUUID(),
        clientId,
        visitId,
        textId: text.id,
        signer: minor ? 'Solveig Lindqvist' : demo.name,
        relation: minor ? 'guardian' : 'client',
        signedOn: day,
        signature: SIGNED,
      },
      account,
    )
  }
}

/** Before and after, under the consent of the first visit; the skin is calmer at every visit. */
async function loadPhotos(
  studio: Studio,
  demo: DemoClient,
  clientId: string,
  visitId: string,
  day: string,
  account: string,
) {
  const { db } = studio
  const before =
    (
      await db.query<{ n: number }>('SELECT count(*)::int AS n FROM photo WHERE client_id = $1', [
        clientId,
      ])
    ).rows[0]!.n / 2
  for (const [moment, redness] of [
    ['start', 0.9 - 0.25 * before],
    ['end', 0.95 - 0.25 * before],
  ] as const) {
    await addPhoto(
      db,
      {
        id: randomUUID(),
        clientId,
        visitId,
        view: 'front',
        moment,
        light: 'ring lamp, 1 m, no window',
        ...(await drawnPhoto(redness)),
      },
      account,
    )
  }
}

/** What a visit used back then, of lots that are long gone. */
const usedThen = (steps: FittedPlan['steps']) =>
  summedUses(steps.flatMap((step) => usedBy(step, SHELF))).map((use) => ({
    ...use,
    lot: 'earlier',
  }))
const SHELF = composedShelf(DEMO_SHELF)

/** The run log of a visit that went as planned, a little slower each quarter of an hour, as visits do. */
function performedLog(plan: FittedPlan, startMs: number): RunEvent[] {
  const late = (seconds: number) => startMs + Math.round(seconds * 1.03) * 1000
  let seq = 0
  const event = (wallMs: number, body: RunEvent['body']): RunEvent => ({
    id: randomUUID(),
    deviceId: 'demo-tablet',
    seq: seq++,
    wallMs,
    elapsedMs: wallMs - startMs,
    body,
  })
  const hands = plan.segments.filter((segment) => segment.hands)
  return [
    event(startMs, { type: 'start' }),
    ...hands.flatMap((segment) => [
      ...(segment.kind === 'remove'
        ? [event(late(segment.startS), { type: 'started', segmentId: segment.id })]
        : []),
      event(late(segment.endS), { type: 'finished', segmentId: segment.id }),
    ]),
    event(late(plan.totalS), { type: 'finish' }),
  ]
}

/** Today eight come, two another day this week; everybody's next visit follows a turnover of the skin later. */
async function bookAhead(studio: Studio, clients: readonly string[]) {
  for (const [index, clientId] of clients.entries()) {
    if (CLIENTS[index]!.away) continue
    const seat = seatOf(studio, index)
    const first =
      index % HOURS.length === HOURS.length - 1 ? 1 + Math.floor(index / HOURS.length) : 0
    for (const day of [first, DAYS_BETWEEN_VISITS + index]) {
      await bookVisit(studio.db, {
        id: randomUUID(),
        salonId: studio.salonId,
        clientId,
        roomId: seat.roomId,
        practitionerId: seat.practitioner.id,
        protocolVersionId: `${day === first ? (CLIENTS[index]!.today ?? CLIENTS[index]!.protocol) : CLIENTS[index]!.protocol}-v1`,
        startsAt: at(dayFrom(studio.today, day), seat.hour),
        slotMinutes: SLOT_MINUTES,
        turnoverMinutes: SALON.turnoverMinutes,
      })
    }
  }
}
