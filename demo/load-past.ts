import { randomUUID } from 'node:crypto'
import { compile, prepared, type CompileInput, type FittedPlan } from '#core/adapt'
import { dateAfter } from '#core/client'
import { asLeaving, CALM_ANSWER, type SkinAnswer } from '#core/climb'
import { homeInputOf, homePlan, type HomeUse } from '#core/homecare'
import type { Reading } from '#core/skin'
import { doneBy, subjectReader } from '#core/strength'
import { summedUses, usedBy } from '#core/costing'
import { RunBody, type RunEvent } from '#core/perform/model'
import { addConsent, newestTexts, type ConsentKind } from '../server/db/consent.sql'
import { addHomePlan, addHomeTold } from '../server/db/home.sql'
import type { Db } from '../server/db/rows'
import { addPhoto } from '../server/db/photo.sql'
import { addUses } from '../server/db/use.sql'
import { addEvents } from '../server/db/run.sql'
import { addPlan } from '../server/db/plan.sql'
import { addReading } from '../server/db/reading.sql'
import { bookVisit, visitById, type VisitRow } from '../server/db/visit.sql'
import { addCheckIn, signVisit } from '../server/db/outcome.sql'
import { compileInputOf } from '../server/utils/visit-input'
import { SALON, type DemoClient } from './people'
import type { DemoVisit, Said } from './story'
import { drawnPhoto } from './photos'
import { type Studio, MINORS_BORN_AFTER, SLOT_MINUTES, instantOf, seatOf, SHELF } from './load'

/** One visit of a demo client that is over. */
interface PastVisit {
  readonly demo: DemoClient
  readonly visit: DemoVisit
  readonly clientId: string
  readonly index: number
  readonly isFirst: boolean
  readonly day: string
}

/** Books, reads, fits, performs and signs a visit as it may have gone. */
export async function loadPastVisit(studio: Studio, past: PastVisit) {
  const { db, salonId } = studio
  const { demo, visit: then, clientId, index, day } = past
  const { practitioner, hour, roomId } = seatOf(studio, index)
  const account = studio.accounts.get(practitioner.id) ?? null
  const id = randomUUID()
  const startsAt = instantOf(day, hour)
  await bookVisit(db, {
    id,
    salonId,
    clientId,
    roomId,
    practitionerId: practitioner.id,
    protocolVersionId: `${then.protocol ?? demo.protocol}-v1`,
    startsAt,
    slotMinutes: SLOT_MINUTES,
    turnoverMinutes: SALON.turnoverMinutes,
  })
  await addReading(db, randomUUID(), id, readingOf(demo, then), account)
  if (past.isFirst) await signConsents(studio, demo, clientId, id, day, account!)
  if (demo.photographed) await loadPhotos(studio, demo, clientId, id, day, account!)
  const visit = (await visitById(db, salonId, id))!
  const input = await compileInputOf(db, visit)
  const plan = compile(input)
  await addPlan(db, randomUUID(), id, plan, account)
  const log = performedLog(plan, startsAt.getTime(), then.said ?? [])
  await addEvents(db, id, log, account)
  await addUses(db, id, usedThen(plan.steps))
  const told = { ...CALM_ANSWER, ...then.answer }
  const outcome = {
    leaving: { ...asLeaving(told), redness: Math.max(1, told.redness) },
    ...doneBy(plan.steps, subjectReader(prepared(input).shelf)),
    note: then.note ?? '',
    nextNote: then.nextNote,
    plannedS: plan.totalS,
    actualS: Math.round((log.at(-1)!.wallMs - startsAt.getTime()) / 1000),
  }
  await signVisit(db, id, outcome, account, practitioner.name)
  // Told by telephone, two days later.
  await addCheckIn(db, randomUUID(), id, dateAfter(day, 2), told, account)
  if (then.home && account)
    await giveHome(db, visit, { input, plan, told, uses: then.home }, account)
}

interface HomeThen {
  readonly input: CompileInput
  readonly plan: FittedPlan
  readonly told: SkinAnswer
  readonly uses: readonly HomeUse[]
}
/** What they said they use at home, and the plan that was given for it. */
async function giveHome(
  db: Db,
  visit: VisitRow,
  { input, plan, told, uses }: HomeThen,
  account: string,
) {
  const said = { uses: [...uses], kept: null, why: '' }
  await addHomeTold(db, randomUUID(), visit, said, account)
  const went = { plan, skipped: new Set<string>(), told: { answer: told } }
  const next = { on: dateAfter(input.date, DAYS_TO_NEXT), isBooked: false }
  const home = homePlan(homeInputOf(input, went, { uses, rests: [], next }))
  await addHomePlan(db, randomUUID(), visit, home, account)
}
const DAYS_TO_NEXT = 28

const readingOf = (demo: DemoClient, then: DemoVisit): Reading => ({
  done: true,
  findings: [...(then.findings ?? demo.findings)],
  lesions: [...(then.lesions ?? demo.lesions ?? [])],
  meters: [...(demo.meters ?? [])],
  ...(then.light === undefined ? {} : { light: then.light }),
})

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
  for (const text of (await newestTexts(studio.db, studio.salonId)).filter((consent) =>
    kinds.includes(consent.kind),
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
    ['start', 0.9 - 0.08 * before],
    ['end', 0.95 - 0.08 * before],
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

/** The run log of a visit that went as planned, a little slower each quarter of an hour, as visits do. */
function performedLog(plan: FittedPlan, startMs: number, said: readonly Said[]): RunEvent[] {
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
    ...said.flatMap((one) => saidOf(plan, one, (seconds, body) => event(late(seconds), body))),
    ...hands.flatMap((segment) => [
      ...(segment.kind === 'remove'
        ? [event(late(segment.startS), { type: 'started', segmentId: segment.id })]
        : []),
      event(late(segment.endS), { type: 'finished', segmentId: segment.id }),
    ]),
    event(late(plan.totalS), { type: 'finish' }),
  ]
}

const kindOf = (productId: string | undefined) =>
  SHELF.products.find(({ id }) => id === productId)?.kind

/** What was said, at its minute of the step it was said of; nothing where the ladder had no such step. */
function saidOf(
  plan: FittedPlan,
  { kind, phase, minute, body }: Said,
  event: (seconds: number, body: RunEvent['body']) => RunEvent,
): RunEvent[] {
  const step = plan.steps.find(
    (one) => (kind && kindOf(one.product?.productId) === kind) || (phase && one.phase === phase),
  )
  const on = plan.segments.find(
    ({ stepId, kind: part }) => stepId === step?.id && part !== 'prepare',
  )
  return step && on
    ? [
        event(
          on.startS + 60 * minute,
          RunBody.parse({ ...body, ...(body.type === 'note' ? {} : { stepId: step.id }) }),
        ),
      ]
    : []
}
