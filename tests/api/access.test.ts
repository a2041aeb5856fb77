import { describe, expect, test } from 'vitest'
import {
  ASSISTANT,
  BASE,
  book,
  DESK,
  OWNER,
  Person,
  PRACTITIONER,
  signedIn,
  withDatabase,
  type Day,
  DEMO_DAY,
} from './http'

describe('signing in', () => {
  test('a signed-out visitor gets nothing but the question who he is', async () => {
    const visitor = new Person()
    const some = '00000000-0000-4000-8000-000000000001'
    for (const [method, path] of [
      ['GET', '/api/day'],
      ['GET', `/api/visits/${some}`],
      ['POST', '/api/visits'],
      ['GET', '/api/protocols'],
      ['GET', '/api/protocols/acid'],
      ['POST', '/api/protocols/acid/versions'],
      ['POST', '/api/protocols'],
      ['GET', '/api/protocols/acid/versions'],
      ['GET', '/api/protocols/acid/file'],
      ['PUT', '/api/protocols/acid/draft'],
      ['DELETE', '/api/protocols/acid/draft'],
      ['PUT', '/api/protocols/acid/archived'],
      ['PUT', `/api/visits/${some}/fit`],
      ['POST', `/api/visits/${some}/facts`],
      ['PUT', `/api/visits/${some}/reading`],
      ['POST', `/api/visits/${some}/plan`],
      ['POST', `/api/visits/${some}/overrides`],
      ['PUT', `/api/visits/${some}/ticks`],
      ['POST', `/api/visits/${some}/events`],
      ['POST', `/api/visits/${some}/close`],
      ['POST', `/api/visits/${some}/check-in`],
    ] as const) {
      const { status, body } = await visitor.ask(method, path, method === 'GET' ? undefined : {})
      expect([path, status, body.code]).toEqual([path, 401, 'signed_out'])
    }
    expect((await visitor.ask<{ account: null }>('GET', '/api/session')).body.account).toBeNull()
  })
  test('cookie is sealed, httpOnly and same-site; signing out ends the session on the server', async () => {
    const reply = await fetch(`${BASE}/api/session/demo`, { method: 'POST' })
    const cookie = reply.headers.getSetCookie()[0]!
    expect(cookie).toMatch(/HttpOnly/i)
    expect(cookie).toMatch(/SameSite=Strict/i)
    expect(decodeURIComponent(cookie)).toMatch(/zen-session=Fe26\.2\*/)
    const kept = { cookie: cookie.split(';')[0]! }
    expect((await fetch(`${BASE}/api/day`, { headers: kept })).status).toBe(200)
    await fetch(`${BASE}/api/session`, { method: 'DELETE', headers: kept })
    expect((await fetch(`${BASE}/api/day`, { headers: kept })).status).toBe(401)
  })
  test('eight wrong passwords: the ninth try waits half a minute, even with the right one, and another account does not', async () => {
    const person = new Person()
    const ruben = (password: string) =>
      person.ask('POST', '/api/session', { email: 'ruben@saltgrass.example', password })
    for (let tries = 0; tries < 8; tries++) expect((await ruben('wrong')).status).toBe(401)
    const { status, headers, body } = await ruben('quiet-tide')
    expect(status).toBe(429)
    const wait = Number(headers.get('retry-after'))
    expect(wait > 0 && wait <= 30).toBe(true)
    expect(body.detail).toContain('seconds')
    await signedIn(ASSISTANT)
  })
  test('a hundred guesses at once are counted one by one, before their passwords are looked at', async () => {
    const guesses = await Promise.all(
      Array.from({ length: 100 }, (_, at) =>
        new Person().ask('POST', '/api/session', {
          email: 'guessed@saltgrass.example',
          password: `guess ${at}`,
        }),
      ),
    )
    const looked = guesses.filter(({ status }) => status === 401)
    expect(looked).toHaveLength(8)
    expect(guesses.filter(({ status }) => status === 429)).toHaveLength(92)
  })
  const day = (cookie: string) => fetch(`${BASE}/api/day`, { headers: { cookie } })
  const demoCookie = async (headers: Record<string, string> = {}) => {
    const reply = await fetch(`${BASE}/api/session/demo`, { method: 'POST', headers })
    return reply.headers.getSetCookie()[0]?.split(';')[0] ?? ''
  }
  test('a new session takes the place of the one this browser had; others stay', async () => {
    const [first, elsewhere] = [await demoCookie(), await demoCookie()]
    const reply = await fetch(`${BASE}/api/session`, {
      method: 'POST',
      headers: { cookie: first, 'content-type': 'application/json' },
      body: JSON.stringify({ email: ASSISTANT, password: 'quiet-tide' }),
    })
    const second = reply.headers.getSetCookie().at(-1)?.split(';')[0] ?? ''
    expect((await day(first)).status).toBe(401)
    expect((await day(second)).status).toBe(200)
    expect((await day(elsewhere)).status).toBe(200)
  })
  test('signing out everywhere ends every session of the account, and no other', async () => {
    const [here, there] = [await signedIn(DESK), await signedIn(DESK)]
    const other = await signedIn(ASSISTANT)
    expect((await here.ask('DELETE', '/api/session?everywhere=1')).status).toBe(204)
    expect((await there.ask('GET', '/api/day')).status).toBe(401)
    expect((await other.ask('GET', '/api/day')).status).toBe(200)
  })
  test('a session that nobody used for six hours is over', async () => {
    const cookie = await demoCookie()
    const idle = (hours: number) =>
      withDatabase((db) =>
        db.query(
          `UPDATE session
            SET seen_at = now() - make_interval(mins => $1)
            WHERE id = (
                SELECT id
                FROM session
                ORDER BY created_at DESC
                LIMIT 1
              )`,
          [hours * 60],
        ),
      )
    await idle(5.9)
    expect((await day(cookie)).status).toBe(200)
    await idle(6.1)
    expect((await day(cookie)).status).toBe(401)
  })
  test.each([
    [{ 'x-forwarded-host': 'salon.example' }, 404],
    [{ forwarded: 'host=salon.example' }, 404],
    [{ 'x-forwarded-host': 'localhost' }, 204],
  ])('the demo opens to whoever sits at this machine: %o', async (headers, status) => {
    const reply = await new Person().ask('POST', '/api/session/demo', undefined, headers)
    expect(reply.status).toBe(status)
    const { body } = await new Person().ask<{ demo: boolean }>(
      'GET',
      '/api/session',
      undefined,
      headers,
    )
    expect(body.demo).toBe(status === 204)
    const known = { email: DESK, password: 'quiet-tide' }
    const typed = await new Person().ask('POST', '/api/session', known, headers)
    expect(typed.status).toBe(status === 204 ? 204 : 401)
  })
  test.each([
    ['POST', 'cross-site', 403],
    ['POST', 'same-site', 403],
    ['POST', 'same-origin', 204],
    ['GET', 'cross-site', 403],
    ['GET', 'same-site', 404],
  ])('a %s that the browser calls %s', async (method, site, status) => {
    const path = method === 'GET' ? '/api/nothing' : '/api/session/demo'
    const { status: told } = await new Person().ask(method, path, undefined, {
      'sec-fetch-site': site,
    })
    expect(told).toBe(status)
  })
  test('passwords are kept as scrypt, never plain', async () => {
    const hashes = await withDatabase(
      async (db) =>
        (
          await db.query<{ password_hash: string }>(
            "SELECT password_hash FROM account WHERE password_hash <> ''",
          )
        ).rows,
    )
    for (const { password_hash: hash } of hashes) expect(hash).toMatch(/^scrypt\$32768\$8\$1\$/)
  })
  test('a change from another site is refused', async () => {
    expect(
      (
        await new Person().ask('POST', '/api/session/demo', undefined, {
          origin: 'https://elsewhere.example',
        })
      ).body.code,
    ).toBe('other_origin')
  })
  test('the page comes with a strict policy', async () => {
    const { headers } = await fetch(BASE)
    expect(headers.get('x-powered-by')).toBeNull()
    const policy = headers.get('content-security-policy')!
    expect(policy).toContain("default-src 'self'")
    expect(policy).not.toContain('unsafe')
  })
})

describe('roles, on the server', () => {
  test('front desk books and sees the day, and nothing of anybody’s health', async () => {
    const desk = await signedIn(DESK)
    const { body: day } = await desk.ask<Day>('GET', DEMO_DAY)
    expect(day.visits.length).toBeGreaterThan(0)
    const id = await book(desk, 'Wren Castellane')
    expect((await desk.ask('GET', `/api/visits/${id}`)).body.code).toBe('not_allowed')
    expect((await desk.ask('POST', `/api/visits/${id}/events`, { events: [] })).status).toBe(403)
  })
  test('an assistant performs and does not sign, decide or publish', async () => {
    const assistant = await signedIn(ASSISTANT)
    const id = await book(await signedIn(OWNER), 'Wren Castellane')
    expect((await assistant.ask('GET', `/api/visits/${id}`)).status).toBe(200)
    expect((await assistant.ask('POST', `/api/visits/${id}/events`, { events: [] })).status).toBe(
      200,
    )
    expect(
      (await assistant.ask('POST', `/api/visits/${id}/close`, { answer: null, note: '' })).status,
    ).toBe(403)
    expect((await assistant.ask('POST', `/api/visits/${id}/facts`, { facts: [] })).status).toBe(403)
    expect((await assistant.ask('POST', '/api/protocols/acid/versions', {})).status).toBe(403)
  })
  test('reading and changing health data leaves audit rows with who, what and when', async () => {
    const person = await signedIn(PRACTITIONER)
    const id = await book(person, 'Pilar Nwosu')
    await person.ask('GET', `/api/visits/${id}`)
    await person.ask('POST', `/api/visits/${id}/facts`, {
      facts: [
        {
          id: crypto.randomUUID(),
          fact: { code: 'allergy:fig', answer: 'yes', askedOn: '2026-11-24' },
        },
      ],
    })
    const rows = await withDatabase(
      async (db) =>
        (
          await db.query<{ action: string; name: string }>(
            `SELECT au.action, ac.name
              FROM audit au
                JOIN account ac ON ac.id = au.account_id
                JOIN visit v ON v.client_id::text = au.subject_id
              WHERE v.id = $1
                AND au.subject_kind = 'client'
              ORDER BY au.id`,
            [id],
          )
        ).rows,
    )
    expect(rows.filter((row) => row.name === 'Anneke Vask').map((row) => row.action)).toEqual(
      expect.arrayContaining(['visit.read', 'health.write']),
    )
  })
})
