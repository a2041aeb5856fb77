import { randomUUID } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import { Person, withDatabase } from './http'
import { furnishedSalon, PASSWORD } from './other-salon'
import { enter, GOOD, staffOf } from './staff'

// A branch: another salon of the same house. One way in, a role in each, and nothing seen across.

const salon = await furnishedSalon()
const { owner } = salon
const staff = staffOf(salon)

interface OwnSalon {
  readonly accountId: string
  readonly salonId: string
  readonly name: string
  readonly role: string
}
interface Session {
  readonly account: { id: string; name: string; can: string[] } | null
  readonly salon: { name: string } | null
  readonly salons: OwnSalon[]
}
const FACTS = {
  ...{ name: 'Far Shore North', address: '', emergencyNumber: '112' },
  ...{ timeZone: 'Etc/UTC', currency: 'EUR', measures: 'metric' },
}
const sessionOf = async (person: Person) => (await person.ask<Session>('GET', '/api/session')).body
const salonsOf = async (person: Person) =>
  (await person.ask<OwnSalon[]>('GET', '/api/branches')).body
const goTo = (person: Person, accountId: string) =>
  person.ask<{ code: string }>('POST', '/api/session/salon', { accountId })
const emailOf = async (person: Person) =>
  withDatabase(async (db) => {
    const { account } = await sessionOf(person)
    const { rows } = await db.query<{ email: string }>('SELECT email FROM account WHERE id = $1', [
      account!.id,
    ])
    return rows[0]!.email
  })
/** The owner in a browser of its own, over there. */
async function ownerIn(name: string): Promise<Person> {
  const person = new Person()
  await person.ask('POST', '/api/session', { email: await emailOf(owner), password: PASSWORD })
  const there = (await salonsOf(person)).find((one) => one.name === name)!
  if ((await sessionOf(person)).salon?.name !== name)
    expect((await goTo(person, there.accountId)).status).toBe(204)
  return person
}

describe('a branch', () => {
  test('is opened by an owner, with the cards and shelf of this one and nobody’s data', async () => {
    const body = { salon: FACTS, room: 'North room', begin: 'copy' }
    const made = await owner.ask<OwnSalon[]>('POST', '/api/branches', body)
    expect([made.status, made.body.map(({ name, role }) => [name, role])]).toEqual([
      200,
      [
        ['Far Shore Rooms', 'owner'],
        ['Far Shore North', 'owner'],
      ],
    ])
    const north = await ownerIn('Far Shore North')
    const clients = await north.ask<{ clients: unknown[] }>('GET', '/api/clients?find=')
    expect(clients.body.clients).toEqual([])
    const published = async (person: Person) =>
      (
        await person.ask<{ name: string; version: number | null; archived: boolean }[]>(
          'GET',
          '/api/protocols',
        )
      ).body
        .filter(({ version, archived }) => version !== null && !archived)
        .map(({ name }) => name)
        .sort()
    expect(await published(north)).toEqual(await published(owner))
    const { body: shelf } = await north.ask<{ products: { stock: number }[] }>('GET', '/api/shelf')
    expect(shelf.products.length).toBeGreaterThan(20)
    expect(shelf.products.every(({ stock }) => stock === 0)).toBe(true)
    const { body: day } = await north.ask<{ choices: { rooms: { name: string }[] } }>(
      'GET',
      '/api/day',
    )
    expect(day.choices.rooms.map(({ name }) => name)).toEqual(['North room'])
    // A client of the one is not there for the other.
    expect((await north.ask('GET', `/api/clients/${salon.ids.clients}`)).status).toBe(404)
  })
  test('is opened by nobody else', async () => {
    const { person } = await staff.joined('practitioner')
    const body = { salon: FACTS, room: 'Room', begin: 'empty' }
    expect((await person.ask('POST', '/api/branches', body)).status).toBe(403)
    expect((await sessionOf(person)).salons).toHaveLength(1)
  })
})

describe('somebody who works in both', () => {
  test('has a role in each and one way in; a new password holds in both, and calls off what was open', async () => {
    const { person, email } = await staff.joined('practitioner')
    const north = await ownerIn('Far Shore North')
    const { body: there } = await north.ask<{ homeId: string; email: string }[]>(
      'GET',
      '/api/people/elsewhere',
    )
    const { homeId } = there.find((one) => one.email === email)!
    const wish = { homeId, role: 'front_desk', performs: false }
    expect((await north.ask('POST', '/api/people/elsewhere', wish)).status).toBe(201)
    expect((await north.ask('POST', '/api/people/elsewhere', wish)).status).toBe(404)
    const salons = await salonsOf(person)
    expect(salons.map(({ role }) => role)).toEqual(['practitioner', 'front_desk'])
    const over = new Person()
    await over.ask('POST', '/api/session', { email, password: GOOD })
    expect((await goTo(over, salons[1]!.accountId)).status).toBe(204)
    expect((await sessionOf(over)).account!.can).not.toContain('health.read')
    // At home a new one is chosen: what is open with the old one over there is called off.
    const NEW = 'harbour tin 58 willow'
    expect(
      (await person.ask('PUT', '/api/own/password', { old: GOOD, password: NEW })).status,
    ).toBe(204)
    expect((await sessionOf(over)).account).toBeNull()
    expect([(await enter(email, GOOD)).status, (await enter(email, NEW)).status]).toEqual([
      401, 204,
    ])
  })
  test('a branch’s owner sets nobody’s way in whose home is elsewhere: not by a route, not by a row', async () => {
    const { email } = await staff.joined('practitioner')
    const north = await ownerIn('Far Shore North')
    const { body: there } = await north.ask<{ homeId: string; email: string }[]>(
      'GET',
      '/api/people/elsewhere',
    )
    const { homeId } = there.find((one) => one.email === email)!
    const { body: made } = await north.ask<{ id: string }>('POST', '/api/people/elsewhere', {
      ...{ homeId, role: 'practitioner', performs: true },
    })
    for (const [method, path, body] of [
      ['PUT', `/api/people/${made.id}/password`, { password: 'stolen kettle 99 fern' }],
      ['POST', `/api/people/${made.id}/links`, undefined],
      ['DELETE', `/api/people/${made.id}/second-step`, undefined],
    ] as const) {
      const refused = await north.ask<{ code: string; detail: string }>(method, path, body)
      expect([path, refused.status, refused.body.code]).toEqual([path, 409, 'home_elsewhere'])
      expect(refused.body.detail).toContain('Far Shore Rooms')
    }
    await withDatabase(async (db) => {
      await db.query('UPDATE account SET password_hash = $2 WHERE id = $1', [made.id, 'forged'])
      const { rows } = await db.query<{ same: boolean }>(
        `SELECT a.password_hash = h.password_hash AS same
          FROM account a
            JOIN account h ON h.id = a.home_id
          WHERE a.id = $1`,
        [made.id],
      )
      expect(rows[0]!.same).toBe(true)
    })
    expect((await enter(email, GOOD)).status).toBe(204)
  })
  test('nobody goes where they do not work, and nobody’s account is taken over', async () => {
    const { person } = await staff.joined('practitioner')
    const north = (await salonsOf(owner)).find(({ name }) => name === 'Far Shore North')!
    for (const accountId of [north.accountId, randomUUID()]) {
      const refused = await goTo(person, accountId)
      expect([refused.status, refused.body.code]).toEqual([404, 'no_salon'])
    }
    expect((await sessionOf(person)).salon?.name).toBe('Far Shore Rooms')
  })
  test('signing out everywhere ends what is open in the other salon too', async () => {
    const [here, there] = [await ownerIn('Far Shore Rooms'), await ownerIn('Far Shore North')]
    expect((await here.ask('DELETE', '/api/session?everywhere=1')).status).toBe(204)
    expect((await sessionOf(there)).account).toBeNull()
  })
})
