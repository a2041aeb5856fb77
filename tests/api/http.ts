import { randomUUID } from 'node:crypto'
import pg from 'pg'

export const BASE = process.env.ZEN_TEST_URL ?? ''
/** As an administrator: past row-level security. */
export const DATABASE = process.env.ZEN_TEST_DATABASE ?? ''
/** As the application: one salon's rows. */
export const APP_DATABASE = process.env.ZEN_TEST_APP_DATABASE ?? ''
export const OWNER_DATABASE = process.env.ZEN_TEST_OWNER_DATABASE ?? ''

export interface Reply<T> {
  readonly status: number
  readonly body: T
  readonly headers: Headers
}

/** A browser of one person: keeps its cookie. */
export class Person {
  private readonly cookies = new Map<string, string>()

  headers = (): Record<string, string> =>
    this.cookies.size > 0 ? { cookie: [...this.cookies.values()].join('; ') } : {}

  async ask<T = { detail: string; code: string; path?: string }>(
    method: string,
    path: string,
    body?: unknown,
    headers: Record<string, string> = {},
  ): Promise<Reply<T>> {
    return this.send<T>(method, path, body === undefined ? undefined : JSON.stringify(body), {
      ...(body === undefined ? {} : { 'content-type': 'application/json' }),
      ...headers,
    })
  }
  /** The same with a body of any kind: a form with a file. */
  async send<T>(
    method: string,
    path: string,
    body: string | FormData | undefined,
    headers: Record<string, string> = {},
  ): Promise<Reply<T>> {
    const reply = await fetch(`${BASE}${path}`, {
      method,
      headers: { ...this.headers(), ...headers },
      ...(body === undefined ? {} : { body }),
    })
    // The same cookie may be set again in one reply: the last counts.
    for (const set of reply.headers.getSetCookie()) {
      const [name, value] = [set.slice(0, set.indexOf('=')), set.split(';')[0]!]
      this.cookies.set(name, value)
    }
    const kind = reply.headers.get('content-type') ?? ''
    // A stream goes on until somebody closes it.
    const isStream = kind.includes('event-stream')
    if (isStream) await reply.body?.cancel()
    const text = isStream ? '' : await reply.text()
    const isJson = kind.includes('json')
    return {
      status: reply.status,
      body: (isJson && text ? JSON.parse(text) : undefined) as T,
      headers: reply.headers,
    }
  }
}

export async function signedIn(email: string): Promise<Person> {
  const person = new Person()
  const reply = await person.ask('POST', '/api/session', { email, password: 'quiet-tide' })
  if (reply.status !== 204) throw new Error(`${email} could not sign in: ${reply.status}`)
  return person
}
export const PRACTITIONER = 'anneke@saltgrass.example'
export const OWNER = 'maren@saltgrass.example'
export const ASSISTANT = 'tamsin@saltgrass.example'
export const DESK = 'desk@saltgrass.example'

export async function withDatabase<T>(work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: DATABASE })
  await client.connect()
  // Rows that hang on others take their salon from here: the demo’s, beside which a test may have made another.
  await client.query(
    `SELECT set_config('zen.salon', salon_id::text, false) FROM account WHERE demo LIMIT 1`,
  )
  try {
    return await work(client)
  } finally {
    await client.end()
  }
}

/** As an administrator, in the salon's own database beside the demo's. */
export async function withOwnDatabase<T>(work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: process.env.ZEN_TEST_OWN_DATABASE ?? '' })
  await client.connect()
  try {
    return await work(client)
  } finally {
    await client.end()
  }
}
/** Tries to sign in are counted for all tests together: those of one file are forgotten before they shut others out. */
export const forgetTries = () => withOwnDatabase((db) => db.query('DELETE FROM sign_in_attempt'))

/** The id of a client of the demo, by name; of the first one where none is named. */
export async function clientNamed(person: Person, name = ''): Promise<string> {
  const path = `/api/clients?find=${encodeURIComponent(name)}`
  const { body } = await person.ask<{ clients: { id: string; name: string }[] }>('GET', path)
  return (body.clients.find((client) => client.name === name) ?? body.clients[0]!).id
}

export interface Day {
  today: string
  visits: { id: string; client: string; room: string; practitioner: string; startsAt: string }[]
  choices: Record<'rooms' | 'practitioners' | 'protocols', { id: string; name: string }[]>
}

/** Day and time of day in the demo studio, whose clock is UTC. */
export const salonTime = (at: Date) => ({
  date: at.toISOString().slice(0, 10),
  time: at.toISOString().slice(11, 16),
})

/** The demo's own day: a run that goes on past midnight still asks for the day it began on. */
export const DEMO_DAY = `/api/day?date=${process.env.ZEN_TEST_TODAY ?? new Date().toISOString().slice(0, 10)}`

const HOUR_MS = 3_600_000
/** Books a fresh visit tomorrow, or that many days later, after every visit of its day, so that no test meets another. */
export async function book(
  person: Person,
  clientName: string,
  protocolId = 'brightening',
  daysLater = 0,
  practitioner?: string,
): Promise<string> {
  const { body: day } = await person.ask<Day>('GET', '/api/day')
  const startsAt = await freeHour(
    new Date(new Date(`${day.today}T06:00:00Z`).getTime() + (daysLater + 1) * 24 * HOUR_MS),
  )
  const { body, status } = await person.ask<{ id: string }>('POST', '/api/visits', {
    clientId: await clientNamed(person, clientName),
    roomId: day.choices.rooms[0]!.id,
    practitionerId: (
      day.choices.practitioners.find(({ name }) => name === practitioner) ??
      day.choices.practitioners[0]!
    ).id,
    protocolId,
    ...salonTime(startsAt),
    slotMinutes: 90,
  })
  if (status !== 201) throw new Error(`booking failed: ${JSON.stringify(body)}`)
  return body.id
}

/** The ISO day of a visit: facts of the day count when they were asked on it. */
export async function dayOf(person: Person, visitId: string): Promise<string> {
  const { body } = await person.ask<{ input: { date: string } }>('GET', `/api/visits/${visitId}`)
  return body.input.date
}

/** The first time of a day, or of the next one, after everything that is booked there. */
async function freeHour(from: Date): Promise<Date> {
  for (let morning = from; ; morning = new Date(morning.getTime() + 24 * HOUR_MS)) {
    const { rows } = await withDatabase((db) =>
      db.query<{ until: Date | null }>(
        `SELECT max(room_until) AS until
          FROM visit
          WHERE starts_at >= $1
            AND starts_at < $1::timestamptz + interval '18 hours'`,
        [morning],
      ),
    )
    const free = new Date(Math.max(morning.getTime(), rows[0]!.until?.getTime() ?? 0))
    if (free.getTime() < morning.getTime() + 14 * HOUR_MS) return free
  }
}

/** A room and a practitioner that no visit holds, whatever the hour a test runs at. */
export async function freeSeat(): Promise<{
  roomId: string
  room: string
  practitionerId: string
  practitioner: string
}> {
  const [roomId, practitionerId] = [randomUUID(), randomUUID()]
  const [room, practitioner] = [
    `Room ${roomId.slice(0, 8)}`,
    `Invented ${practitionerId.slice(0, 8)}`,
  ]
  await withDatabase(async (db) => {
    await db.query('INSERT INTO room (id, salon_id, name) VALUES ($1, current_salon(), $2)', [
      roomId,
      room,
    ])
    await db.query(
      `INSERT INTO practitioner (id, salon_id, name)
        VALUES ($1, current_salon(), $2)`,
      [practitionerId, practitioner],
    )
    await db.query(
      `INSERT INTO scope_entry (practitioner_id, technique)
        VALUES ($1, 'minors')`,
      [practitionerId],
    )
  })
  return { roomId, room, practitionerId, practitioner }
}
