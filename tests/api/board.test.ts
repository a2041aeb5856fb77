import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { BASE, book, freeSeat, salonTime, withDatabase, type Person } from './http'
import { anneke, desk, owner } from './people'
import { CALM, signed } from './signed'

// The day's board: what it shows to whom, what comes first, and that every screen hears of a change.

interface Board {
  readonly visits: {
    readonly id: string
    readonly client: string
    readonly thumb: {
      readonly isFitted: boolean
      readonly totalS: number
      readonly hands: object[]
    }
  }[]
  readonly choices: { readonly protocols: { readonly id: string; readonly minutes: number }[] }
}
const boardOf = async (person: Person, date = '') =>
  (await person.ask<Board>('GET', `/api/day${date && `?date=${date}`}`)).body

/** A client of a test's own. */
async function client(name = `Board ${randomUUID().slice(0, 8)}`) {
  const { body } = await owner.ask<{ id: string }>('POST', '/api/clients', {
    name,
    bornOn: '1985-06-15',
  })
  return { id: body.id, name }
}
const dateOf = (visitId: string) =>
  withDatabase(async (db) => {
    const { rows } = await db.query<{ at: Date }>(
      'SELECT starts_at AS at FROM visit WHERE id = $1',
      [visitId],
    )
    return salonTime(rows[0]!.at).date
  })

test('a visit has its ladder in miniature: as written, then as fitted, and as written for who may not read', async () => {
  const { name } = await client()
  const id = await book(owner, name, 'brightening', 90)
  const date = await dateOf(id)
  const thumb = async (person: Person) =>
    (await boardOf(person, date)).visits.find((visit) => visit.id === id)!
  const before = await thumb(owner)
  expect([before.thumb.isFitted, before.thumb.hands.length > 3]).toEqual([false, true])
  await owner.ask('POST', `/api/visits/${id}/plan`)
  const { body } = await owner.ask<{ plan: { plan: { totalS: number } } }>(
    'GET',
    `/api/visits/${id}`,
  )
  const after = await thumb(owner)
  expect([after.thumb.isFitted, after.thumb.totalS]).toEqual([true, body.plan.plan.totalS])
  const desks = await thumb(desk)
  expect(desks.thumb).toEqual(before.thumb)
  expect([desks.client, after.client]).toEqual([
    `B. ${name.split(' ')[1]![0]!.toUpperCase()}.`,
    name,
  ])
})

test('cards say how long they take', async () => {
  const { choices } = await boardOf(owner)
  // Added up by hand from the card (demo/patterns.ts).
  const minutes = choices.protocols.find(({ id }) => id === 'brightening')!.minutes
  expect(minutes).toBeGreaterThanOrEqual(70)
  expect(minutes).toBeLessThanOrEqual(80)
})

test('the brief says what matters without keeping a fit, and is no business of the desk', async () => {
  const { id: clientId, name } = await client()
  const fact = {
    code: 'implant-electronic',
    answer: 'yes',
    askedOn: new Date().toISOString().slice(0, 10),
  }
  await owner.ask('POST', `/api/clients/${clientId}/facts`, { facts: [{ id: randomUUID(), fact }] })
  const id = await book(owner, name, 'two-currents')
  const brief = await anneke.ask<{
    isFitted: boolean
    facts: { sign: string; words: string }[]
    times: object[]
  }>('GET', `/api/visits/${id}/brief`)
  expect(brief.body.isFitted).toBe(false)
  expect(brief.body.facts.length).toBeLessThanOrEqual(3)
  expect(
    brief.body.facts.some(({ sign, words }) => sign === 'stop' && /current/i.test(words)),
  ).toBe(true)
  const { body } = await owner.ask<{ plan: object | null }>('GET', `/api/visits/${id}`)
  expect(body.plan).toBeNull()
  expect((await desk.ask('GET', `/api/visits/${id}/brief`)).status).toBe(403)
})

describe('what comes first', () => {
  const words = async (person: Person) =>
    (await person.ask<{ words: string }[]>('GET', '/api/day/first')).body.map((one) => one.words)
  test('a patch test that can be read today; not one of this morning, nor one that was read', async () => {
    const [due, fresh, read] = [
      await client('Duedora Test'),
      await client('Freshia Test'),
      await client('Readia Test'),
    ]
    const place = (clientId: string, days: number, result: string) =>
      withDatabase((db) =>
        db.query(
          `INSERT INTO patch_test (id, client_id, product_id, kind, zone, placed_on, read_on, result)
            VALUES (gen_random_uuid(), $1, 'oat-mask', 'delayed', 'ears', current_date - $2::int, CASE WHEN $3 = 'calm' THEN current_date END, $3)`,
          [clientId, days, result],
        ),
      )
    await place(due.id, 2, 'waiting')
    await place(fresh.id, 0, 'waiting')
    await place(read.id, 2, 'calm')
    const told = (await words(anneke)).join('\n')
    expect(told).toContain('Read Duedora’s patch test, placed')
    expect(told).not.toMatch(/Freshia|Readia/)
    expect((await words(desk)).join()).not.toContain('Duedora')
  })
  /** Each in its own hours of the room. */
  let movedTo = 48
  /** A signed visit, moved to the day before yesterday, with levers of one's own. */
  async function twoDaysAgo(
    name: string,
    levers: string,
    closing: object = {},
    hours = movedTo,
  ): Promise<string> {
    const id = await signed(name, CALM, closing)
    await withDatabase(async (db) => {
      await db.query('ALTER TABLE outcome DISABLE TRIGGER outcome_immutable')
      await db.query('ALTER TABLE visit DISABLE TRIGGER visit_locked')
      await db.query('UPDATE outcome SET levers = $2 WHERE visit_id = $1', [id, levers])
      await db.query(
        `UPDATE visit SET starts_at = now() - $2 * interval '1 hour', ends_at = now() - ($2 - 1) * interval '1 hour', room_until = now() - ($2 - 2) * interval '1 hour' WHERE id = $1`,
        [id, hours],
      )
      await db.query('DELETE FROM practitioner_booking WHERE visit_id = $1', [id])
      await db.query('ALTER TABLE outcome ENABLE TRIGGER outcome_immutable')
      await db.query('ALTER TABLE visit ENABLE TRIGGER visit_locked')
    })
    movedTo += 3
    return id
  }
  const daysAgo = (days: number) =>
    new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10)
  const checkIn = (visitId: string, days: number, answer: object | null) =>
    owner.ask('POST', `/api/visits/${visitId}/check-in`, {
      ...{ id: randomUUID(), askedOn: daysAgo(days), answer },
    })
  const tellCalm = (visitId: string, days: number) => checkIn(visitId, days, CALM)
  test('somebody after strong work, until they were asked', async () => {
    const { name } = await client('Callista Strong')
    const id = await twoDaysAgo(name, '[{"lever":"acid","rung":3}]')
    expect((await words(anneke)).join('\n')).toContain('Ask Callista: acid strength high on')
    // What was told on the day itself is not yet an answer.
    await tellCalm(id, 2)
    expect((await words(anneke)).join()).toContain('Callista')
    await tellCalm(id, 0)
    expect((await words(anneke)).join()).not.toContain('Callista')
  })
  test('somebody whose skin was marked when leaving, whatever was done', async () => {
    const marked = { redness: 3, stinging: 0, swelling: false, blisters: false }
    const { name } = await client('Philippa Marked')
    const more = { answer: null, leaving: { ...marked, weeping: false, burn: false } }
    const id = await twoDaysAgo(name, '[]', more)
    expect((await words(anneke)).join('\n')).toContain('Ask Philippa: skin marked when leaving on')
    await tellCalm(id, 1)
    expect((await words(anneke)).join()).not.toContain('Philippa')
  })
  test('who is not reached is asked for once a day, three times at the most, and is calm by none of them', async () => {
    const { name } = await client('Thalassa Silent')
    const id = await twoDaysAgo(name, '[{"lever":"acid","rung":3}]')
    const isAsked = async () => (await words(anneke)).join().includes('Thalassa')
    await checkIn(id, 1, null)
    expect(await isAsked()).toBe(true)
    await checkIn(id, 0, null)
    expect(await isAsked()).toBe(false)
    const { body } = await anneke.ask<{ outcome: { tries: number; answer: unknown } }>(
      'GET',
      `/api/visits/${id}`,
    )
    expect(body.outcome).toMatchObject({ tries: 2, answer: null })
  })
  test('a week after strong work somebody is asked once more, whatever was told then', async () => {
    const { name } = await client('Wilhelma Weekly')
    const id = await twoDaysAgo(name, '[{"lever":"acid","rung":3}]', {}, 7 * 24 + 2)
    await tellCalm(id, 5)
    expect((await words(anneke)).join('\n')).toContain(
      'Ask Wilhelma: a week after acid strength high',
    )
    await tellCalm(id, 0)
    expect((await words(anneke)).join()).not.toContain('Wilhelma')
  })
  test('a licence that ends is the owner’s to know', async () => {
    const seat = await freeSeat()
    await withDatabase(async (db) => {
      await db.query(
        `UPDATE scope_entry SET until = current_date + 10 WHERE practitioner_id = $1`,
        [seat.practitionerId],
      )
      await db.query(
        `INSERT INTO account (id, salon_id, email, name, role, practitioner_id, password_hash, demo)
          VALUES (gen_random_uuid(), current_salon(), $1, 'Endora Licence', 'practitioner', $2, '', false)`,
        [`${randomUUID()}@saltgrass.example`, seat.practitionerId],
      )
    })
    expect((await words(owner)).join('\n')).toContain(
      'Endora Licence: licence for treating minors ends in 10 days',
    )
    expect((await words(anneke)).join()).not.toContain('Endora')
  })
})

describe('every screen hears', () => {
  const streams: AbortController[] = []
  afterAll(() => streams.forEach((stream) => stream.abort()))
  let heard: string[]
  async function listen(person: Person): Promise<string[]> {
    const abort = new AbortController()
    streams.push(abort)
    const reply = await fetch(`${BASE}/api/live`, {
      headers: person.headers(),
      signal: abort.signal,
    })
    expect(reply.headers.get('content-type')).toContain('text/event-stream')
    const lines: string[] = []
    const reader = reply.body!.pipeThrough(new TextDecoderStream()).getReader()
    void (async () => {
      for (;;) {
        const { value, done } = await reader.read().catch(() => ({ value: '', done: true }))
        if (done) return
        lines.push(...value.split('\n').filter((line) => line.startsWith('data: {')))
      }
    })()
    return lines
  }
  beforeAll(async () => {
    heard = await listen(desk)
  })
  test('of a visit that was booked, moved and fitted, by its id and nothing else', async () => {
    const { name } = await client()
    const id = await book(owner, name, 'brightening', 95)
    await expect.poll(() => heard.some((line) => line.includes(id)), { timeout: 10_000 }).toBe(true)
    await owner.ask('POST', `/api/visits/${id}/plan`)
    await expect
      .poll(() => heard.some((line) => line.includes('fitted_plan') && line.includes(id)), {
        timeout: 10_000,
      })
      .toBe(true)
    const said = heard
      .filter((line) => line.includes(id))
      .map((line) => JSON.parse(line.slice(6)) as object)
    for (const one of said) expect(Object.keys(one).sort()).toEqual(['id', 'what'])
    expect(heard.join()).not.toContain(name)
  })
  test('of a run, by the tablet that said it; and a tablet is told that its clock cannot be', async () => {
    const id = await book(owner, (await client()).name, 'brightening', 96)
    await owner.ask('POST', `/api/visits/${id}/plan`)
    const start = {
      ...{ id: randomUUID(), deviceId: 'tablet of the room', seq: 0, elapsedMs: 0 },
      ...{ wallMs: Date.now(), body: { type: 'start' } },
    }
    const say = (events: readonly object[], clockMs: number) =>
      owner.ask<{ isDoubtful: boolean }>('POST', `/api/visits/${id}/events`, { events, clockMs })
    const right = await say([start], Date.now())
    expect([right.status, right.body.isDoubtful]).toEqual([200, false])
    const ofRun = () => heard.find((line) => line.includes(id) && line.includes('run_event'))
    await expect.poll(ofRun, { timeout: 10_000 }).toBeDefined()
    expect(JSON.parse(ofRun()!.slice(6))).toEqual({ what: 'run_event', id, by: start.deviceId })
    const wrong = await say([], Date.now() - 40 * 24 * 3_600_000)
    expect([wrong.status, wrong.body.isDoubtful]).toEqual([200, true])
  })
  test('who is signed out hears nothing', async () => {
    expect((await fetch(`${BASE}/api/live`)).status).toBe(401)
  })
})
