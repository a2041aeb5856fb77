import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { tooStrong } from '../../server/db/roles'
import {
  APP_DATABASE,
  book,
  clientNamed,
  DATABASE,
  freeSeat,
  OWNER_DATABASE,
  type Day,
  withDatabase,
} from './http'
import { otherSalon, type OtherSalon } from './other-salon'
import { anneke, owner } from './people'

// One salon's rows: held by the database, not by what a query remembers to ask.

/** Of no salon: who is signed in, who tried, what the schema is, and copies of the whole. */
const OF_NOBODY = ['backup_run', 'schema_version', 'session', 'set_up', 'sign_in_attempt']
/** Every function that looks past row-level security, read off nothing. */
const LOOKING_PAST =
  'account_by_email account_by_id account_of_past_session account_of_session add_branch alike_clients claim_messages demo_account erase_client erase_photos find_clients give_way_in has_salon link_by_token merge_clients people_elsewhere salons_of seal_audit set_up_salon settle_message sweep tablet_by_token take_way_in'.split(
    ' ',
  )
const CLIENT = 'Hollis Marchetti'

let other: OtherSalon
let app: pg.Client
let mine: string
let day: Day
let ownClient: string
beforeAll(async () => {
  other = await otherSalon()
  app = new pg.Client({ connectionString: APP_DATABASE })
  await app.connect()
  mine = (await rows<{ id: string }>('SELECT current_salon() AS id'))[0]!.id
  day = (await owner.ask<Day>('GET', '/api/day')).body
  ownClient = await clientNamed(owner)
})
afterAll(() => app.end())

const rows = <T extends pg.QueryResultRow>(sql: string, values: unknown[] = []) =>
  withDatabase(async (db) => (await db.query<T>(sql, values)).rows)
const tables = async () =>
  (
    await rows<{ name: string }>(
      `SELECT relname AS name
        FROM pg_class
        WHERE relnamespace = 'public'::regnamespace
          AND relkind = 'r'`,
    )
  )
    .map(({ name }) => name)
    .filter((name) => !OF_NOBODY.includes(name))
const refusal = (sql: string, values: unknown[] = []) =>
  app.query(sql, values).then(
    () => 'done',
    (error: { code: string }) => error.code,
  )

describe('the schema', () => {
  test('every table of a salon says whose its rows are, and shows them to nobody else', async () => {
    const found = await rows(
      `SELECT c.relname
        FROM pg_class c
        WHERE c.relname = ANY ($1)
          AND c.relnamespace = 'public'::regnamespace
          AND NOT (
            c.relrowsecurity
            AND EXISTS (
              SELECT
              FROM pg_policy p
              WHERE p.polrelid = c.oid
                AND p.polcmd = '*'
                AND p.polqual IS NOT NULL
                AND p.polwithcheck IS NOT NULL
            )
            AND (
              c.relname = 'salon'
              OR EXISTS (
                SELECT
                FROM pg_attribute a
                WHERE a.attrelid = c.oid
                  AND a.attname = 'salon_id'
                  AND a.attnotnull
              )
            )
          )`,
      [await tables()],
    )
    expect(found).toEqual([])
  })
  test('every key from one of them to another names the salon too, but for a home account', async () => {
    const found = await rows(
      `SELECT c.conname
        FROM pg_constraint c
          JOIN pg_class child ON child.oid = c.conrelid
        WHERE c.contype = 'f'
          AND child.relname = ANY ($1)
          AND c.confrelid <> 'salon'::regclass
          AND NOT EXISTS (
            SELECT
            FROM pg_attribute a
            WHERE a.attrelid = c.conrelid
              AND a.attnum = ANY (c.conkey)
              AND a.attname = 'salon_id'
          )`,
      [await tables()],
    )
    // Somebody's home account is in another salon: that is what it is for. Only functions that look past it follow it.
    expect(found).toEqual([{ conname: 'account_home_id_fkey' }])
  })
  test('what looks past it is what is asked before anybody is signed in, the first salon, a broom and the seals, with a path that nobody can bend', async () => {
    const found = await rows<{ name: string; config: string[] }>(
      `SELECT proname AS name, proconfig AS config
        FROM pg_proc
        WHERE pronamespace = 'public'::regnamespace
          AND prosecdef
        ORDER BY 1`,
    )
    expect(found.map(({ name }) => name)).toEqual(LOOKING_PAST)
    for (const { config } of found) expect(config).toContain('search_path=public, pg_temp')
  })
})

describe('the role that serves', () => {
  test('sees nothing before a salon is named, its own rows after, and never another’s', async () => {
    for (const table of await tables()) {
      const count = async () =>
        Number((await app.query<{ n: string }>(`SELECT count(*) AS n FROM ${table}`)).rows[0]!.n)
      await app.query("SELECT set_config('zen.salon', '', false)")
      expect([table, await count()]).toEqual([table, 0])
      const column = table === 'salon' ? 'id' : 'salon_id'
      for (const salon of [mine, other.id]) {
        await app.query("SELECT set_config('zen.salon', $1, false)", [salon])
        const all = await rows<{ n: string }>(
          `SELECT count(*) AS n
            FROM ${table}
            WHERE ${column} = $1`,
          [salon],
        )
        expect([table, await count()]).toEqual([table, Number(all[0]!.n)])
      }
    }
  })
  test('writes nothing into another salon, and hangs nothing of its own on another’s rows', async () => {
    await app.query("SELECT set_config('zen.salon', $1, false)", [mine])
    expect(
      await refusal(`INSERT INTO room (id, salon_id, name) VALUES ($1, $2, 'Ours there')`, [
        randomUUID(),
        other.id,
      ]),
    ).toBe('42501')
    expect(
      await refusal(
        `INSERT INTO health_fact (id, client_id, code, answer, asked_on)
          VALUES ($1, $2, 'pregnancy', 'no', '2026-01-01')`,
        [randomUUID(), other.ids.clients],
      ),
    ).toBe('23503')
    expect(
      (await app.query('UPDATE client SET name = $1 WHERE id = $2', ['Taken', other.ids.clients]))
        .rowCount,
    ).toBe(0)
  })
  test.each([
    ['changes the log', `UPDATE audit SET action = 'x'`],
    ['empties the log', 'DELETE FROM audit'],
    ['makes a salon', `INSERT INTO salon (id) VALUES (gen_random_uuid())`],
    ['alters a table', 'ALTER TABLE client ADD COLUMN x int'],
    ['turns row-level security off', 'ALTER TABLE client DISABLE ROW LEVEL SECURITY'],
    ['turns a guard off', 'ALTER TABLE outcome DISABLE TRIGGER USER'],
    ['empties a table', 'TRUNCATE outcome CASCADE'],
    ['reads the schema’s own table', 'SELECT FROM schema_version'],
    ['becomes the owner', 'SET ROLE zen_owner'],
  ])('never %s', async (_what, sql) => expect(await refusal(sql)).toBe('42501'))
  test('and the server refuses to serve as anything stronger', async () => {
    const saysOf = async (url: string) => {
      const client = new pg.Client({ connectionString: url })
      await client.connect()
      try {
        return await tooStrong(client as unknown as pg.PoolClient)
      } finally {
        await client.end()
      }
    }
    expect(await saysOf(APP_DATABASE)).toBeUndefined()
    expect(await saysOf(OWNER_DATABASE)).toContain('zen_owner, who owns the tables')
    expect(await saysOf(DATABASE)).toContain('sees past row-level security')
  })
})

describe('an id of another salon in a body', () => {
  const booking = (more: object) => ({
    clientId: ownClient,
    roomId: day.choices.rooms[0]!.id,
    practitionerId: day.choices.practitioners[0]!.id,
    protocolId: 'acid',
    date: '2031-03-03',
    time: '09:00',
    slotMinutes: 30,
    ...more,
  })
  test.each([
    ['clientId', 'clients'],
    ['roomId', 'rooms'],
    ['practitionerId', 'practitioners'],
    ['protocolId', 'protocols'],
  ] as const)('a booking with its %s is refused as with one of nobody', async (field, kind) => {
    const [theirs, nobodys] = [
      await owner.ask('POST', '/api/visits', booking({ [field]: other.ids[kind] })),
      await owner.ask('POST', '/api/visits', booking({ [field]: randomUUID() })),
    ]
    expect([theirs.status, theirs.body.code, theirs.body.path]).toEqual([
      nobodys.status,
      nobodys.body.code,
      nobodys.body.path,
    ])
    expect([theirs.status, theirs.body.path]).toEqual([404, field])
  })
  test.each([
    ['roomId', 'rooms'],
    ['practitionerId', 'practitioners'],
  ] as const)('a walk-in with its %s leaves no client behind', async (field, kind) => {
    const name = `Walked in ${randomUUID().slice(0, 8)}`
    const { roomId, practitionerId } = await freeSeat()
    const walkIn = {
      ...{ name, bornOn: '1990-01-01', roomId, practitionerId },
      ...{ protocolId: 'acid', slotMinutes: 30, [field]: other.ids[kind] },
    }
    const reply = await owner.ask('POST', '/api/visits/walk-in', walkIn)
    expect([reply.status, reply.body.path]).toEqual([404, field])
    expect(await rows('SELECT FROM client WHERE name = $1', [name])).toEqual([])
  })
  test('its protocol is not copied, and nothing is drawn from its draft', async () => {
    const from = { from: 'protocol', id: other.ids.protocols, name: 'A copy' }
    const reply = await owner.ask('POST', '/api/protocols', from)
    expect([reply.status, reply.body.code]).toEqual([404, 'no_protocol'])
  })
  test('its product takes no batch; a batch may be called as theirs is, and stays ours', async () => {
    const batch = { id: other.ids.batches, lot: '', receivedOn: '2026-01-01', left: 9 }
    const put = (productId: string) =>
      owner.ask('PUT', `/api/shelf/batches/${batch.id}`, { productId, batch, reason: 'received' })
    expect([(await put(other.ids.products)).body.code]).toEqual(['no_product'])
    expect((await put('mandelic-peel')).status).toBe(204)
    const left = await rows<{ left: string }>(
      `SELECT left_amount::int AS left
        FROM batch
        WHERE id = $1
        ORDER BY salon_id = $2 DESC`,
      [batch.id, other.id],
    )
    expect(left).toEqual([{ left: 5 }, { left: 9 }])
    const gone = { productId: 'mandelic-peel', batch: { ...batch, left: 0 }, reason: 'discarded' }
    await owner.ask('PUT', `/api/shelf/batches/${batch.id}`, gone)
  })
  test('an answer, a consent and an event that come under an id of theirs are refused, not “saved”', async () => {
    const visit = await book(owner, CLIENT, 'brightening', 61)
    const fact = { code: 'pregnancy', answer: 'no', askedOn: day.today }
    const facts = { facts: [{ id: other.ids.facts, fact }] }
    const reply = await anneke.ask('POST', `/api/visits/${visit}/facts`, facts)
    expect([reply.status, reply.body.code, reply.body.path]).toEqual([
      409,
      'id_taken',
      'facts.0.id',
    ])
    const id = randomUUID()
    const event = (to: string) =>
      owner.ask('POST', `/api/visits/${to}/events`, {
        events: [
          { ...{ id, deviceId: 't', seq: 0, wallMs: 1, elapsedMs: 0 }, body: { type: 'start' } },
        ],
      })
    expect((await event(visit)).status).toBe(200)
    expect((await event(visit)).status).toBe(200)
    const elsewhere = await event(await book(owner, CLIENT, 'brightening', 62))
    expect([elsewhere.status, elsewhere.body.path]).toEqual([409, 'events.0.id'])
  })
})

test('one client cannot be in two rooms at once', async () => {
  const { rooms, practitioners } = day.choices
  const at = (room: number, time: string) =>
    owner.ask('POST', '/api/visits', {
      clientId: ownClient,
      roomId: rooms[room]!.id,
      practitionerId: practitioners[room]!.id,
      protocolId: 'acid',
      ...{ date: '2031-04-04', time, slotMinutes: 60 },
    })
  expect((await at(0, '09:00')).status).toBe(201)
  expect((await at(1, '09:30')).body.code).toBe('client_taken')
  expect((await at(1, '10:00')).status).toBe(201)
})
