import type { PoolClient } from 'pg'
import { randomUUID } from 'node:crypto'
import {
  answerByMedicines,
  dateAfter,
  factsInForce,
  KNOWN,
  medicineCode,
  nothingOfTheDay,
  QUESTIONS,
  saidOfMedicine,
  type Fact,
} from '#core/client'
import { execute } from '../server/db/rows'
import { addClient, addFact, loadClient } from '../server/db/client.sql'
import { addNote } from '../server/db/note.sql'
import { addPatchTest } from '../server/db/evidence.sql'
import type { DemoClient } from './people'
import type { DemoVisit } from './story'
import { loadPastVisit } from './load-past'
import { type Studio, DAYS_BETWEEN_VISITS, MINORS_BORN_AFTER, AWAY_DAYS } from './load'

/** A client of the demo with what they answered, refused and were tested for, and every visit before today. */
export async function loadClientWithPast(
  studio: Studio,
  demo: DemoClient,
  index: number,
): Promise<string> {
  const { db, salonId, today } = studio
  const id = randomUUID()
  const visits = visitsOf(demo)
  const firstDay = dateAfter(today, -Math.max(0, ...visits.map(({ daysAgo }) => daysAgo)))
  const { name, bornOn, concerns, notes } = demo
  await addClient(db, { id, salonId, name, bornOn, concerns, ...contactOf(index) })
  for (const body of notes)
    await addNote(db, { id: randomUUID(), clientId: id, kind: 'note', body, by: null })
  for (const fact of answersOf(demo, firstDay)) await addFact(db, randomUUID(), id, fact, null)
  for (const fact of todaysAnswers(demo, today)) await addFact(db, randomUUID(), id, fact, null)
  await loadPatchTests(studio, id, demo.tested ?? [])
  await loadWaitingTests(studio, id, demo.waits ?? [])
  for (const productId of demo.refused ?? []) await refuse(db, id, productId, firstDay)
  for (const [count, visit] of visits.entries()) {
    const day = dateAfter(today, -visit.daysAgo)
    await sayOnTheDay(db, id, visit, day)
    await loadPastVisit(studio, {
      ...{ demo, visit, clientId: id, index, day },
      isFirst: count === 0,
    })
  }
  return id
}

/** Past visits, the oldest first: as told one by one, or every five weeks with an answer each. */
function visitsOf({ story, past, away, nextNote }: DemoClient): readonly DemoVisit[] {
  const last = past.length - 1
  return (
    story ??
    past.map((answer, count) => ({
      daysAgo: DAYS_BETWEEN_VISITS * (past.length - count) + (away ? AWAY_DAYS : 0),
      answer,
      ...(count === last && nextNote ? { nextNote } : {}),
    }))
  )
}

async function sayOnTheDay(db: PoolClient, clientId: string, visit: DemoVisit, askedOn: string) {
  for (const said of visit.facts ?? []) {
    const inForce = factsInForce((await loadClient(db, clientId))!.facts)
    const known = KNOWN.find((one) => medicineCode(one.id) === said.code)
    const fact = { ...said, askedOn }
    for (const one of known ? saidOfMedicine(known, fact, inForce, KNOWN) : [fact])
      await addFact(db, randomUUID(), clientId, one, null)
  }
  if (visit.refused) await refuse(db, clientId, visit.refused, askedOn)
}

/** An invented number and address; every third client may be written to. */
const contactOf = (index: number) => ({
  phone: `+000 555 ${String(1000 + 37 * index)}`,
  email: `client-${index + 1}@letters.example`,
  contact: index % 3 === 0 ? (['phone', 'text', 'email'] as const) : (['phone'] as const),
})

/** Every answer that was given on the first day: no where nothing else is said, a guardian's consent for a minor. */
function answersOf(demo: DemoClient, firstDay: string): Fact[] {
  const answers = new Map<string, Fact>(
    demo.yes.map((fact) => [fact.code, { ...fact, answer: 'yes', askedOn: firstDay }]),
  )
  const isOpen = (code: string) =>
    !answers.has(code) && !demo.unknown?.includes(code) && code !== 'guardian-consent'
  const rest = [...QUESTIONS.map((question) => question.code), 'allergy:any'].filter(isOpen)
  const plain = (code: string): Fact => ({ code, answer: 'no', askedOn: firstDay })
  const consent: Fact[] =
    demo.bornOn > MINORS_BORN_AFTER
      ? [{ code: 'guardian-consent', answer: 'yes', askedOn: firstDay, on: firstDay }]
      : []
  return [
    ...rest.map((code) => answerByMedicines(code, answers, KNOWN, firstDay) ?? plain(code)),
    ...answers.values(),
    ...consent,
  ]
}

/** What is true of one day only was asked this morning, by the form that was sent ahead. */
function todaysAnswers(demo: DemoClient, today: string): Fact[] {
  const said = new Map(demo.yes.map((fact) => [fact.code, fact]))
  return nothingOfTheDay(today)
    .filter(({ code }) => !demo.unknown?.includes(code))
    .map((none): Fact => {
      const yes = said.get(none.code)
      return yes ? { ...yes, answer: 'yes', askedOn: today } : none
    })
}

async function loadPatchTests(
  { db, practitioners, accounts, today }: Studio,
  clientId: string,
  productIds: readonly string[],
) {
  const account = accounts.get(practitioners[0]!.id)!
  for (const productId of productIds) {
    const test = {
      productId,
      kind: 'delayed',
      zone: 'ears',
      placedOn: dateAfter(today, -32),
      readOn: dateAfter(today, -30),
      result: 'calm',
    } as const
    await addPatchTest(db, randomUUID(), clientId, test, account)
  }
}

/** Placed the day before yesterday: read today. */
async function loadWaitingTests(
  { db, practitioners, accounts, today }: Studio,
  clientId: string,
  productIds: readonly string[],
) {
  const account = accounts.get(practitioners[0]!.id)!
  for (const productId of productIds) {
    const test = { productId, kind: 'delayed', zone: 'ears', result: 'waiting' } as const
    const placedOn = dateAfter(today, -2)
    await addPatchTest(db, randomUUID(), clientId, { ...test, placedOn }, account)
  }
}

const refuse = (db: PoolClient, clientId: string, productId: string, since: string) =>
  execute(
    db,
    `INSERT INTO product_memory (client_id, product_id, memory, since)
      VALUES ($1, $2, 'refused', $3)`,
    [clientId, productId, since],
  )
