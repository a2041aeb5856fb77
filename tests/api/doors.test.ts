import { randomUUID } from 'node:crypto'
import { beforeAll, describe, expect, test } from 'vitest'
import { book, DESK, Person, signedIn, withDatabase } from './http'
import { anneke, desk, owner, tamsin } from './people'
import { otherSalon, type OtherSalon } from './other-salon'
import { allRoutes, OPEN_ROUTES, type Route } from './routes'
import { MAY } from './may'

// Who may knock where, read a second time.
const ROLES = { o: owner, p: anneke, a: tamsin, d: desk } as const
type Role = keyof typeof ROLES

const routes = await allRoutes()
const HANDS_OVER = 'PUT /api/visits/:id/handed'
const nameOf = ({ method, path }: Route): string => `${method} ${path}`
const closed = routes.filter((route) => !OPEN_ROUTES.includes(nameOf(route)))
const withRecord = closed.filter(({ path }) => path.includes(':'))
/** What a path's first id names. */
const kindOf = (path: string): keyof OtherSalon['ids'] | undefined =>
  (['visits', 'protocols', 'products', 'batches'] as const).find((kind) =>
    path.includes(`/${kind}/:id`),
  )

let other: OtherSalon
let own: Readonly<Record<string, string>>
beforeAll(async () => {
  other = await otherSalon()
  own = {
    visits: await book(owner, 'Wren Castellane', 'brightening', 60),
    protocols: 'acid',
    products: 'oat-mask',
    batches: 'oat-mask-stock',
  }
})
/** The path with an id in place of its first parameter; what follows it is nobody's. */
const at = ({ path }: Route, id: string): string =>
  path.replace(/:\w+/, id).replaceAll(/:\w+/g, randomUUID())
const ownAt = (route: Route): string => at(route, own[kindOf(route.path) ?? ''] ?? 'a01')

test('every route is either open or has its line above, and no line is left over', () => {
  expect(closed.map(nameOf).sort()).toEqual(Object.keys(MAY).sort())
  expect(
    routes
      .filter(({ can }) => can === undefined)
      .map(nameOf)
      .sort(),
  ).toEqual(OPEN_ROUTES.toSorted())
})

describe.each(closed.map((route) => [nameOf(route), route] as const))('%s', (name, route) => {
  async function ask(person: Person, path: string) {
    const reply = await person.ask(route.method, path)
    // Handed over, the session answers for that visit alone: it is taken back.
    if (name === HANDS_OVER) await person.ask('POST', '/api/own/unlock', { password: 'quiet-tide' })
    return reply
  }
  test('is shut to who is signed out, and to every role that may not', async () => {
    const out = await ask(new Person(), ownAt(route))
    expect([out.status, out.body.code]).toEqual([401, 'signed_out'])
    for (const role of Object.keys(ROLES) as Role[]) {
      const { status, body } = await ask(ROLES[role], ownAt(route))
      const isShut = status === 403 && body.code === 'not_allowed'
      expect([role, isShut]).toEqual([role, !MAY[name]!.includes(role)])
      expect(status).toBeLessThan(500)
    }
  })
})

describe.each(withRecord.map((route) => [nameOf(route), route] as const))(
  '%s of another salon',
  (name, route) => {
    test('cannot be told from nothing at all', async () => {
      const kind = kindOf(route.path)
      const [nobodys, theirs] = [
        await owner.ask(route.method, at(route, randomUUID())),
        await owner.ask(route.method, at(route, kind ? other.ids[kind] : randomUUID())),
      ]
      expect([name, theirs.status, theirs.body.code]).toEqual([
        name,
        nobodys.status,
        nobodys.body.code,
      ])
      expect(theirs.status === 400 || theirs.status === 404 || theirs.status === 409).toBe(true)
      expect(JSON.stringify(theirs.body)).not.toContain(other.name)
    })
  },
)

test('what was refused, and who signed out, stands in the log', async () => {
  const leaver = await signedIn(DESK)
  await leaver.ask('GET', `/api/visits/${own.visits}`)
  await leaver.ask('DELETE', '/api/session')
  const { rows } = await withDatabase((db) =>
    db.query<{ action: string; subject_id: string }>(
      `SELECT action, subject_id
        FROM audit
          JOIN account ON account.id = audit.account_id
        WHERE email = $1
        ORDER BY audit.id DESC
        LIMIT 3`,
      [DESK],
    ),
  )
  expect(rows.map(({ action }) => action)).toEqual(['session.end', 'refused', 'session.open'])
  expect(rows[1]!.subject_id).toBe(`GET /api/visits/${own.visits}`)
})

test('nothing of the interface is kept by a cache, and nobody is told what it is made with', async () => {
  for (const path of [`/api/visits/${own.visits}`, '/api/day', '/api/nothing', '/api/session']) {
    const { headers } = await owner.ask('GET', path)
    expect([path, headers.get('cache-control')]).toEqual([path, 'private, no-store'])
    expect(headers.get('x-powered-by')).toBeNull()
  }
})

test('whose data a page of the rule book showed stands in the log, one row a client', async () => {
  const { body } = await owner.ask<{ clients: { id: string }[] }>('GET', '/api/rules/A04')
  const { rows } = await withDatabase((db) =>
    db.query<{ subject_id: string }>(
      `SELECT subject_id
        FROM audit
        WHERE action = 'rule.touched'
          AND at = (
            SELECT max(at)
            FROM audit
            WHERE action = 'rule.touched'
          )`,
    ),
  )
  expect(body.clients.length).toBeGreaterThan(0)
  expect(rows.map((row) => row.subject_id).sort()).toEqual(body.clients.map(({ id }) => id).sort())
})

test('what has served its time is swept: old sessions, old tries, half a file', async () => {
  const old = randomUUID()
  await withDatabase(async (db) => {
    await db.query(
      `INSERT INTO session (id, account_id, expires_at)
        SELECT $1, id, now() - interval '31 days'
        FROM account
        WHERE demo
        LIMIT 1`,
      [old],
    )
    await db.query(
      `INSERT INTO sign_in_attempt (email, address, ok, at)
        VALUES ($1, 'x', false, now() - interval '31 days')`,
      [old],
    )
    await db.query(
      `INSERT INTO shelf_import (id, salon_id, started_at)
        VALUES ($1, current_salon(), now() - interval '2 days')`,
      [old],
    )
    const before = await db.query('SELECT FROM session')
    await db.query('SELECT sweep()')
    for (const sql of [
      'SELECT FROM session WHERE id = $1',
      'SELECT FROM sign_in_attempt WHERE email = $1::text',
      'SELECT FROM shelf_import WHERE id = $1',
    ])
      expect([sql, (await db.query(sql, [old])).rowCount]).toEqual([sql, 0])
    expect((await db.query('SELECT FROM session')).rowCount).toBe(before.rowCount! - 1)
  })
})
