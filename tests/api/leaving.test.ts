import { randomUUID } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import type { FittedPlan } from '#core/adapt'
import { dateAfter } from '#core/client'
import { book, withDatabase } from './http'
import { newClient } from './new-client'
import { owner } from './people'
import { A_DROP, CALM, event } from './signed'

const LEFT = {
  ...{ redness: 0, stinging: 0 },
  ...{ swelling: false, blisters: false, weeping: false, burn: false },
}
/** A visit so many days from now, performed and signed. */
async function closed(client: string, days: number, closing: object): Promise<string> {
  const id = await book(owner, client, 'brightening', days)
  await owner.ask('POST', `/api/visits/${id}/plan`)
  const events = [event({ type: 'start' }), event({ type: 'finish' }, 1)]
  await owner.ask('POST', `/api/visits/${id}/events`, { events })
  const body = { note: '', used: A_DROP, ...closing }
  expect((await owner.ask('POST', `/api/visits/${id}/close`, body)).status).toBe(204)
  // Each on the same rung, so that what was told alone decides.
  await withDatabase(async (db) => {
    await db.query('ALTER TABLE outcome DISABLE TRIGGER USER')
    const levers = JSON.stringify([{ lever: 'enzyme', rung: 2 }])
    await db.query('UPDATE outcome SET levers = $2 WHERE visit_id = $1', [id, levers])
    await db.query('ALTER TABLE outcome ENABLE TRIGGER USER')
  })
  return id
}
const dayOf = (visitId: string) =>
  withDatabase(async (db) => {
    const { rows } = await db.query<{ day: string }>(
      `SELECT to_char(starts_at, 'YYYY-MM-DD') AS day FROM visit WHERE id = $1`,
      [visitId],
    )
    return rows[0]!.day
  })
async function checkIn(visitId: string, days: number, answer: object = CALM) {
  const askedOn = dateAfter(await dayOf(visitId), days)
  const body = { id: randomUUID(), askedOn, answer }
  expect((await owner.ask('POST', `/api/visits/${visitId}/check-in`, body)).status).toBe(201)
}
/** What becomes of enzyme at a visit two months on. */
async function enzymeOf(client: string) {
  const id = await book(owner, client, 'brightening', 60)
  const { body } = await owner.ask<{ plan: FittedPlan }>('POST', `/api/visits/${id}/plan`)
  const { move, rung } = body.plan.suggestions.find(({ lever }) => lever === 'enzyme')!
  return `${move} ${rung}`
}

describe('on leaving, and a day after', () => {
  test('signed with nothing said, or nothing seen on the bed, two visits raise nothing', async () => {
    const client = await newClient()
    await closed(client, 1, { leaving: null })
    await closed(client, 20, { leaving: LEFT })
    expect(await enzymeOf(client)).toBe('hold 2')
  })
  test('told calm a day after they do; told on the day itself it is too early to know', async () => {
    const client = await newClient()
    const [first, second] = [
      await closed(client, 1, { leaving: LEFT }),
      await closed(client, 20, { leaving: LEFT }),
    ]
    await checkIn(first, 1)
    await checkIn(second, 0)
    expect(await enzymeOf(client)).toBe('hold 2')
    await checkIn(second, 1)
    expect(await enzymeOf(client)).toBe('up 3')
  })
  test('what stings strongly on leaving counts at once, and a calm day after does not unsay it', async () => {
    const client = await newClient()
    const id = await closed(client, 20, { leaving: { ...LEFT, stinging: 7 } })
    expect(await enzymeOf(client)).toBe('down 1')
    await checkIn(id, 2)
    expect(await enzymeOf(client)).toBe('down 1')
  })
  test('what goes wrong the same evening counts the same evening', async () => {
    const client = await newClient()
    const id = await closed(client, 20, { leaving: LEFT })
    await checkIn(id, 0, { ...CALM, swelling: true })
    expect(await enzymeOf(client)).toBe('stop 0')
  })
  test('what was told does not unsay what was told before: strong at the first call, calm a week later', async () => {
    const client = await newClient()
    const id = await closed(client, 20, { leaving: LEFT })
    await checkIn(id, 2, { ...CALM, redness: 3, rednessHours: 40 })
    await checkIn(id, 7)
    expect(await enzymeOf(client)).toBe('down 1')
    // On one day the last word counts: it was a slip of the finger.
    const slip = await newClient()
    const other = await closed(slip, 20, { leaving: LEFT })
    await checkIn(other, 2, { ...CALM, burn: true })
    await checkIn(other, 2)
    expect(await enzymeOf(slip)).toBe('hold 2')
  })
  test('a tablet that signed with an earlier version: calm on the bed is not calm, strong is strong', async () => {
    const calm = await newClient()
    for (const days of [1, 20]) await closed(calm, days, { answer: CALM })
    expect(await enzymeOf(calm)).toBe('hold 2')
    const strong = await newClient()
    await closed(strong, 20, { answer: { ...CALM, redness: 3, rednessHours: 48 } })
    expect(await enzymeOf(strong)).toBe('down 1')
  })
})

describe('a note for next time', () => {
  interface Noted {
    readonly nextNotes: readonly { visitId: string; text: string }[]
  }
  const notesOf = async (visitId: string) =>
    (await owner.ask<Noted>('GET', `/api/visits/${visitId}`)).body.nextNotes.map(({ text }) => text)

  test('stands at the next visits until it is ticked, and on the record for good', async () => {
    const client = await newClient()
    const first = await closed(client, 1, { leaving: LEFT, nextNote: 'Ask about the peel she had' })
    await closed(client, 10, { leaving: LEFT, nextNote: 'Left eyebrow: no wax' })
    const next = await book(owner, client, 'brightening', 30)
    expect(await notesOf(next)).toEqual(['Left eyebrow: no wax', 'Ask about the peel she had'])
    const brief = await owner.ask<{ notes: string[] }>('GET', `/api/visits/${next}/brief`)
    expect(brief.body.notes).toEqual(['Left eyebrow: no wax', 'Ask about the peel she had'])
    for (let times = 0; times < 2; times++) {
      const ticked = await owner.ask('DELETE', `/api/visits/${first}/next-note`)
      expect(ticked.status).toBe(204)
    }
    expect(await notesOf(next)).toEqual(['Left eyebrow: no wax'])
    const kept = await owner.ask<{ outcome: { next_note: string } }>('GET', `/api/visits/${first}`)
    expect(kept.body.outcome.next_note).toBe('Ask about the peel she had')
  })
  test('an earlier visit does not see what a later one noted', async () => {
    const client = await newClient()
    const early = await book(owner, client, 'brightening', 2)
    await closed(client, 10, { leaving: LEFT, nextNote: 'For later' })
    expect(await notesOf(early)).toEqual([])
  })
})
