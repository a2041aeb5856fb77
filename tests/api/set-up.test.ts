import { randomUUID } from 'node:crypto'
import type pg from 'pg'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { forgetTries, OWNER, Person, withOwnDatabase } from './http'
import { owner } from './people'

// From an empty database to a salon of one's own, beside the demo.

const CODE = process.env.ZEN_TEST_SET_UP_CODE ?? ''

const wish = (more: object = {}, you: object = {}) => ({
  code: CODE,
  you: {
    ...{ name: 'Ada Quill', email: 'ada@own.example', password: 'otter kiln 42 verandah' },
    ...{ performs: true, ...you },
  },
  salon: {
    ...{ name: 'Quill Rooms', address: '', emergencyNumber: '112' },
    ...{ timeZone: 'Europe/Lisbon', currency: 'EUR', measures: 'metric' },
  },
  hours: [{ weekday: 1, opens: '09:00', closes: '18:00' }],
  closedDays: [],
  rooms: ['Room 1', 'Room 2', 'Room 1'],
  ...{ turnoverMinutes: 15, deviceIds: ['steamer', 'led-panel'], mostMinutes: { 'led-panel': 9 } },
  ...{ scope: [], begin: 'starter' },
  ...more,
})
interface Session {
  readonly isNew: boolean
  readonly demo: boolean
  readonly world: string
  readonly account: { readonly name: string; readonly can: readonly string[] } | null
  readonly salon: { readonly name: string } | null
}
const sessionOf = async (person: Person) => (await person.ask<Session>('GET', '/api/session')).body

const own = <T extends pg.QueryResultRow>(sql: string): Promise<T[]> =>
  withOwnDatabase(async (db) => (await db.query<T>(sql)).rows)

beforeAll(forgetTries)
afterAll(forgetTries)

const first = new Person()

describe('before there is a salon', () => {
  test('whoever comes is told so, and of the demo', async () => {
    expect(await sessionOf(first)).toMatchObject({ isNew: true, demo: true, account: null })
    const { body } = await first.ask<{ devices: unknown[]; cards: unknown[] }>('GET', '/api/set-up')
    expect([body.devices.length > 10, body.cards.length > 20]).toEqual([true, true])
  })
  test.each([
    ['a wrong code', wish({ code: 'AAAAA-AAAAA' }), 401, 'wrong_code', 'code'],
    [
      'a password that is too short',
      wish({}, { password: 'kiln 42' }),
      400,
      'weak_password',
      'you.password',
    ],
    [
      'a password that everybody has',
      wish({}, { password: 'password1234' }),
      400,
      'weak_password',
      'you.password',
    ],
    ['no address', wish({}, { email: 'ada' }), 400, 'invalid', 'you.email'],
    [
      'a place that is none',
      wish({ salon: { ...wish().salon, timeZone: 'Mars/Here' } }),
      400,
      'invalid',
      'salon.timeZone',
    ],
    [
      'hours that end before they begin',
      wish({ hours: [{ weekday: 1, opens: '18:00', closes: '09:00' }] }),
      400,
      'invalid',
      'hours.0',
    ],
  ])('%s is refused, and nothing is left behind', async (_what, body, status, code, path) => {
    const reply = await new Person().ask('POST', '/api/set-up', body)
    expect([reply.status, reply.body.code, reply.body.path]).toEqual([status, code, path])
    expect(await own('SELECT FROM salon')).toEqual([])
    expect(await own('SELECT FROM account')).toEqual([])
  })
})

describe('two who set up at once', () => {
  let replies: { status: number; code: string }[]
  beforeAll(async () => {
    const body = (person: string) => wish({}, { email: `${person}@own.example` })
    const people = [first, new Person()]
    const asked = people.map((person, at) => person.ask('POST', '/api/set-up', body(`owner${at}`)))
    replies = (await Promise.all(asked)).map(({ status, body: { code } }) => ({ status, code }))
  })
  test('one of them founds it, the other is told', async () => {
    expect(replies.map(({ status }) => status).sort()).toEqual([201, 409])
    expect(replies.find(({ status }) => status === 409)?.code).toBe('set_up_done')
    expect(await own('SELECT FROM salon')).toHaveLength(1)
    expect(await own('SELECT FROM account')).toHaveLength(1)
  })
  test('the code works once', async () => {
    const again = await new Person().ask(
      'POST',
      '/api/set-up',
      wish({}, { email: 'x@own.example' }),
    )
    expect([again.status, again.body.code]).toEqual([409, 'set_up_done'])
    expect((await new Person().ask('GET', '/api/set-up')).body.code).toBe('set_up_done')
  })
})

describe('the salon', () => {
  let founder: Person
  beforeAll(async () => {
    const [{ email }] = (await own<{ email: string }>('SELECT email FROM account')) as [
      { email: string },
    ]
    founder = new Person()
    const password = wish().you.password
    expect((await founder.ask('POST', '/api/session', { email, password })).status).toBe(204)
  })
  test('has its owner, its rooms without doubles, its hours and what it begins with', async () => {
    const session = await sessionOf(founder)
    expect(session).toMatchObject({ world: 'own', isNew: false, salon: { name: 'Quill Rooms' } })
    expect(session.account?.can).toContain('people.write')
    const { body } = await founder.ask<Record<string, unknown>>('GET', '/api/settings')
    expect(body).toMatchObject({
      turnoverMinutes: 15,
      hours: [{ weekday: 1, opens: '09:00', closes: '18:00' }],
      hasDemo: true,
    })
    expect((body.rooms as { name: string }[]).map(({ name }) => name)).toEqual(['Room 1', 'Room 2'])
    const devices = await own<{ id: string; most: number | null }>(
      `SELECT id, (body ->> 'maxMinutes')::int AS most FROM device ORDER BY id`,
    )
    expect(devices).toEqual([
      { id: 'led-panel', most: 9 },
      { id: 'steamer', most: null },
    ])
    const { body: shelf } = await founder.ask<{ products: unknown[] }>('GET', '/api/shelf/products')
    expect(JSON.stringify(shelf)).not.toMatch(/Kelp|Saltgrass|Aqua,/)
  })
  test('sees nothing of the demo, nor the demo of it', async () => {
    expect(await own('SELECT FROM client UNION ALL SELECT FROM visit')).toEqual([])
    const names = (await own<{ name: string }>('SELECT name FROM practitioner')).map(
      (one) => one.name,
    )
    expect(names).toEqual(['Ada Quill'])
    const { body } = await owner.ask<Session>('GET', '/api/session')
    expect(body).toMatchObject({ world: 'demo', salon: { name: 'Saltgrass Studio' } })
  })
  test('is left for the demo and come back to, signed in all the while', async () => {
    expect((await founder.ask('POST', '/api/session/demo')).status).toBe(204)
    expect(await sessionOf(founder)).toMatchObject({
      world: 'demo',
      salon: { name: 'Saltgrass Studio' },
    })
    expect((await founder.ask('POST', '/api/session/own')).status).toBe(204)
    expect(await sessionOf(founder)).toMatchObject({ world: 'own', salon: { name: 'Quill Rooms' } })
  })
  test('a demo address signs in to the demo all the same', async () => {
    const person = new Person()
    await person.ask('POST', '/api/session', { email: OWNER, password: 'quiet-tide' })
    expect(await sessionOf(person)).toMatchObject({ world: 'demo' })
  })
  test('the demo is not taken away from within, nor by a server that nobody stands behind', async () => {
    expect((await owner.ask('DELETE', '/api/demo')).body.code).toBe('not_removed')
    expect((await founder.ask('DELETE', '/api/demo')).status).toBe(409)
    expect((await owner.ask('GET', '/api/day')).status).toBe(200)
  })
  test('many who say their password at once do not wait for each other’s connections', async () => {
    await forgetTries()
    const body = { old: 'not it', password: 'hollow cinder 88 tern' }
    const asked = await Promise.all(
      Array.from({ length: 30 }, () => founder.ask('PUT', '/api/own/password', body)),
    )
    expect(new Set(asked.map(({ status }) => status))).toEqual(new Set([400, 429]))
    await forgetTries()
  })
  test('guesses at the code are counted', async () => {
    const guess = () =>
      new Person().ask('POST', '/api/set-up', wish({ code: randomUUID().slice(0, 10) }))
    const statuses: number[] = []
    for (let tries = 0; tries < 12; tries++) statuses.push((await guess()).status)
    expect(statuses).toContain(429)
  })
})
