import { randomUUID } from 'node:crypto'
import { beforeAll, expect, test } from 'vitest'
import { furnishedSalon } from './other-salon'
import { anneke } from './people'
import { staffOf } from './staff'

// The log as the owner reads it: by client, by person, page by page, as a file.

const salon = await furnishedSalon()
const { owner } = salon
interface Line {
  readonly id: string
  readonly who: string
  readonly action: string
  readonly client: string | null
}
const log = async (query = '') =>
  (await owner.ask<{ lines: Line[]; hasMore: boolean }>('GET', `/api/audit?${query}`)).body
let client: string
let person: { id: string }
beforeAll(async () => {
  const { joined } = staffOf(salon)
  const someone = await joined()
  person = someone
  const made = await owner.ask<{ id: string }>('POST', '/api/clients', {
    ...{ name: 'Looked At', bornOn: '1990-01-01' },
  })
  client = made.body.id
  for (let times = 0; times < 70; times++) await owner.ask('GET', `/api/clients/${client}`)
  await someone.person.ask('GET', `/api/clients/${client}`)
})

test('the newest stands first, and a page goes on where the one before ended', async () => {
  const first = await log()
  expect([first.lines.length, first.hasMore]).toEqual([60, true])
  expect(first.lines[0]).toMatchObject({ action: 'client.read', client: 'Looked At' })
  const second = await log(`before=${first.lines.at(-1)!.id}`)
  const ids = [...first.lines, ...second.lines].map(({ id }) => Number(id))
  expect(ids).toEqual([...new Set(ids)].sort((a, b) => b - a))
})
test('of one client it has who looked, and of one person what they did', async () => {
  const ofClient = await log(`client=${client}`)
  expect(ofClient.lines.every((line) => line.client === 'Looked At')).toBe(true)
  expect(new Set(ofClient.lines.map(({ who }) => who)).size).toBe(2)
  const ofPerson = await log(`person=${person.id}`)
  expect(ofPerson.lines.map(({ action }) => action)).toEqual([
    'client.read',
    'session.open',
    'person.invite_used',
  ])
})
test('of a client with visits it has those too, and of one made of two both', async () => {
  const booked = await owner.ask<{ id: string }>('POST', '/api/visits', {
    ...{ clientId: client, roomId: salon.ids.rooms, practitionerId: salon.ids.practitioners },
    ...{ protocolId: 'brightening', date: '2031-07-07', time: '09:00', slotMinutes: 60 },
  })
  expect(booked.status).toBe(201)
  expect((await log(`client=${client}`)).lines[0]).toMatchObject({
    ...{ action: 'visit.book', client: 'Looked At' },
  })
  const kept = await owner.ask<{ id: string }>('POST', '/api/clients', {
    ...{ name: 'Kept Instead', bornOn: '1990-01-01' },
  })
  await owner.ask('POST', `/api/clients/${kept.body.id}/merge`, { other: client })
  const actions = (await log(`client=${kept.body.id}`)).lines.map(({ action }) => action)
  expect(actions).toEqual(expect.arrayContaining(['client.merge', 'client.merged', 'client.read']))
})
test('it goes out as a file, which stands in it; nobody else reads it, and of another salon nothing', async () => {
  const reply = await fetch(`${process.env.ZEN_TEST_URL}/api/audit/file?person=${person.id}`, {
    headers: owner.headers(),
  })
  const text = await reply.text()
  expect(text.split('\r\n')[0]).toBe('At,Who,Action,Kind,Id,Client,Detail')
  expect(text.split('\r\n')).toHaveLength(1 + 3)
  expect((await log()).lines[0]!.action).toBe('audit.export')
  expect((await anneke.ask('GET', '/api/audit')).status).toBe(403)
  expect((await log(`client=${randomUUID()}`)).lines).toEqual([])
  expect((await log(`before=${'9'.repeat(19)}`)).lines).toBeUndefined()
})
