import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, test } from 'vitest'
import { book, clientNamed, type Day } from './http'
import { anneke, owner } from './people'
import { event } from './signed'

// Things that were sent and once ended in a fault of the server. Each is the sender's, and is told so in a sentence that says where.

let visit: string
let day: Day
let clientId: string
beforeAll(async () => {
  visit = await book(owner, 'Hollis Marchetti', 'brightening', 70)
  day = (await owner.ask<Day>('GET', '/api/day')).body
  clientId = await clientNamed(owner)
})

const DASHES = '-'.repeat(36)
test.each([
  ['GET', `/api/visits/${DASHES}`, 404, 'no_visit'],
  ['GET', '/api/protocols/%00', 404, 'no_protocol'],
  ['GET', '/api/protocols/a%00b', 404, 'no_protocol'],
  ['GET', '/api/day?date=0000-01-01', 400, 'invalid'],
  ['PUT', '/api/known/%00', 400, 'invalid'],
  ['DELETE', `/api/known/%00`, 409, 'ships'],
  ['POST', `/api/shelf/imports/${DASHES}`, 400, 'invalid'],
] as const)('%s %s is %i', async (method, path, status, code) => {
  const reply = await owner.ask(method, path, method === 'PUT' ? {} : undefined)
  expect([reply.status, reply.body.code]).toEqual([status, code])
})

describe('a booking', () => {
  const booking = (more: object) =>
    owner.ask('POST', '/api/visits', {
      clientId,
      roomId: day.choices.rooms[0]!.id,
      practitionerId: day.choices.practitioners[0]!.id,
      protocolId: 'acid',
      ...{ date: '2032-05-05', time: '09:00', slotMinutes: 30 },
      ...more,
    })
  test.each([
    [{ clientId: randomUUID() }, 404, 'clientId'],
    [{ roomId: randomUUID() }, 404, 'roomId'],
    [{ practitionerId: randomUUID() }, 404, 'practitionerId'],
    [{ protocolId: '\u0000' }, 404, 'protocolId'],
    [{ date: '0000-01-01' }, 400, undefined],
  ])('of %o is refused', async (more, status, path) => {
    const reply = await booking(more)
    expect([reply.status, reply.body.path]).toEqual([status, path])
    expect(reply.body.detail.length).toBeGreaterThan(20)
  })
})

describe('a patch test', () => {
  const place = async (placedOn: string): Promise<string> => {
    const id = randomUUID()
    const test = {
      productId: 'oat-mask',
      kind: 'delayed',
      zone: 'ears',
      placedOn,
      result: 'waiting',
    }
    const { status } = await anneke.ask('POST', `/api/visits/${visit}/patch-tests`, { id, test })
    expect(status).toBe(201)
    return id
  }
  const read = (id: string, readOn: string) =>
    anneke.ask('PUT', `/api/visits/${visit}/patch-tests/${id}`, { result: 'calm', readOn })
  test('is not read before it was placed, on the same day, or after the fourth; on the second it is', async () => {
    const id = await place('2026-06-10')
    for (const [readOn, code] of [
      ['2026-06-09', 'read_too_soon'],
      ['2026-06-10', 'read_too_soon'],
      ['2026-06-15', 'read_too_late'],
      ['2099-01-01', 'future'],
    ] as const) {
      const { status, body } = await read(id, readOn)
      expect([status, body.code, body.path]).toEqual([400, code, 'readOn'])
    }
    expect((await read(id, '2026-06-12')).status).toBe(204)
    expect((await read(id, '2026-06-12')).body.code).toBe('no_test')
  })
})

test.each([
  [{ seq: 2 ** 31 }, 'events.0.seq'],
  [{ wallMs: 2 ** 63 }, 'events.0.wallMs'],
  [{ elapsedMs: 1e300 }, 'events.0.elapsedMs'],
])('an event with %o', async (more, path) => {
  const { status, body } = await owner.ask('POST', `/api/visits/${visit}/events`, {
    events: [{ ...event({ type: 'start' }), ...more }],
  })
  expect([status, body.path]).toEqual([400, path])
})

test('a photograph of no bytes', async () => {
  const form = new FormData()
  for (const [name, value] of Object.entries({ id: randomUUID(), view: 'front', moment: 'start' }))
    form.set(name, value)
  form.set('photo', new Blob([]), 'empty.jpg')
  const { status, body } = await owner.send<{ code: string; path: string }>(
    'POST',
    `/api/visits/${visit}/photos`,
    form,
  )
  expect([status, body.code, body.path]).toEqual([400, 'no_photo', 'photo'])
})

test('an origin that is none', async () => {
  const { status, body } = await owner.ask('POST', `/api/visits/${visit}/plan`, undefined, {
    origin: 'null',
  })
  expect([status, body.code]).toEqual([403, 'other_origin'])
})
