import { cpSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { migrate } from '../../server/db/migrate'
import { ensureRoles, grantTo, tooStrong } from '../../server/db/roles'
import { DATABASE, withDatabase } from './http'

// A studio that kept its records before the zones became finer: its database is brought up to date with everything in it.
const name = `zen_old_${randomUUID().slice(0, 8)}`
const folder = mkdtempSync(join(tmpdir(), 'zen-migrations-'))
let db: pg.Client
const ids = Object.fromEntries(
  ['salon', 'room', 'practitioner', 'client', 'visit', 'fact', 'reading', 'plan'].map((key) => [
    key,
    randomUUID(),
  ]),
) as Record<
  'salon' | 'room' | 'practitioner' | 'client' | 'visit' | 'fact' | 'reading' | 'plan',
  string
>
const row = async (sql: string) => (await db.query<Record<string, unknown>>(sql)).rows[0]!

/** A studio as the first version kept it. */
async function oldStudio() {
  await db.query(
    `INSERT INTO salon (id, name, time_zone, currency, emergency_number, address, turnover_minutes)
      VALUES ('${ids.salon}', 'Old Studio', 'Etc/UTC', 'EUR', '112', 'Quay 1', 10)`,
  )
  await db.query(
    `INSERT INTO room (id, salon_id, name)
      VALUES ('${ids.room}', '${ids.salon}', 'One')`,
  )
  await db.query(
    `INSERT INTO practitioner (id, salon_id, name, scope)
      VALUES ('${ids.practitioner}', '${ids.salon}', 'Somebody', '{minors,rf}')`,
  )
  await db.query(
    `INSERT INTO client (id, salon_id, name, born_on, notes)
      VALUES ('${ids.client}', '${ids.salon}', 'A Client', '1980-01-01', '{Likes it quiet,Cold hands}')`,
  )
  await db.query(
    `INSERT INTO health_fact (id, client_id, code, answer, asked_on, zones)
      VALUES ('${ids.fact}', '${ids.client}', 'filler', 'yes', '2026-01-01', '{cheek-left,lips}')`,
  )
}
async function oldCard() {
  await db.query(
    `INSERT INTO protocol (id, salon_id, name)
      VALUES ('old', '${ids.salon}', 'Old facial')`,
  )
  await db.query(
    `INSERT INTO protocol_version (id, protocol_id, version, name, note, steps)
      VALUES ('old-v1', 'old', 1, 'Old facial', '', $1)`,
    [
      JSON.stringify([
        {
          id: 'mask',
          zones: ['forehead', 'neck'],
          blocks: ['hands'],
          segments: [{ kind: 'dwell', zones: ['nose'] }],
          title: 'nose',
        },
      ]),
    ],
  )
}
async function oldVisit() {
  await db.query(
    `INSERT INTO visit (
        id,
        salon_id,
        client_id,
        room_id,
        practitioner_id,
        protocol_version_id,
        starts_at,
        ends_at,
        room_until
      )
      VALUES
        (
          '${ids.visit}',
          '${ids.salon}',
          '${ids.client}',
          '${ids.room}',
          '${ids.practitioner}',
          'old-v1',
          '2026-02-01T09:00Z',
          '2026-02-01T10:00Z',
          '2026-02-01T10:10Z'
        )`,
  )
  await db.query(
    `INSERT INTO reading (id, visit_id, done, findings)
      VALUES ('${ids.reading}', '${ids.visit}', true, $1)`,
    [JSON.stringify([{ kind: 'congestion', grade: 2, zones: ['nose', 'chin'] }])],
  )
  await db.query(
    `INSERT INTO fitted_plan (id, visit_id, revision, engine, rule_book, plan)
      VALUES ('${ids.plan}', '${ids.visit}', 1, 'e1', 'r1', $1)`,
    [JSON.stringify({ totalS: 3300, steps: [{ zones: ['ear'] }] })],
  )
}

beforeAll(async () => {
  for (const file of ['001.do.foundations.sql', '002.do.immutable.sql'])
    cpSync(join('server/db/migrations', file), join(folder, file))
  await withDatabase((server) => server.query(`CREATE DATABASE ${name}`))
  const address = new URL(DATABASE)
  address.pathname = `/${name}`
  db = new pg.Client({ connectionString: address.href })
  await db.connect()
  await migrate(db, folder)
  await oldStudio()
  await oldCard()
  await oldVisit()
  await migrate(db)
})
afterAll(async () => {
  await db.end()
  await withDatabase((server) => server.query(`DROP DATABASE ${name}`))
  rmSync(folder, { recursive: true, force: true })
})

test('every old zone became the zones it stood for, wherever it was kept; words stay words', async () => {
  expect((await row(`SELECT steps FROM protocol_version`)).steps).toEqual([
    {
      id: 'mask',
      title: 'nose',
      blocks: ['hands'],
      segments: [{ kind: 'dwell', zones: ['nose-bridge', 'nose-side-left', 'nose-side-right'] }],
      zones: [
        'forehead',
        'glabella',
        'neck-front',
        'neck-side-left',
        'neck-side-right',
        'temple-left',
        'temple-right',
        'under-chin',
      ],
    },
  ])
  expect((await row('SELECT zones FROM health_fact')).zones).toEqual([
    'cheek-left',
    'cheekbone-left',
    'jaw-left',
    'lips',
    'nasolabial-left',
  ])
  expect((await row('SELECT body FROM reading')).body).toEqual({
    done: true,
    findings: [
      {
        kind: 'congestion',
        grade: 2,
        zones: ['chin', 'nose-bridge', 'nose-side-left', 'nose-side-right', 'upper-lip'],
      },
    ],
    lesions: [],
    meters: [],
  })
  expect((await row('SELECT plan FROM fitted_plan')).plan).toMatchObject({
    totalS: 3300,
    leastTotalS: 3300,
    askAgain: [],
    open: [],
    steps: [{ zones: ['ears'] }],
  })
})
test('scope and notes became rows of their own, and a client is found by name', async () => {
  const scope = await db.query(`SELECT technique FROM scope_entry ORDER BY 1`)
  expect(scope.rows).toEqual([{ technique: 'minors' }, { technique: 'rf' }])
  const notes = await db.query(`SELECT kind, body FROM client_note ORDER BY body`)
  expect(notes.rows).toEqual([
    { kind: 'note', body: 'Cold hands' },
    { kind: 'note', body: 'Likes it quiet' },
  ])
  expect(await row('SELECT search, contact FROM client')).toEqual({
    search: 'a client',
    contact: [],
  })
})
test('what was kept as written is kept again afterwards', async () => {
  for (const sql of [
    `UPDATE protocol_version SET name = 'x'`,
    `UPDATE fitted_plan SET revision = 2`,
    `DELETE FROM health_fact`,
    `UPDATE reading SET body = '{}'`,
  ])
    await expect(db.query(sql)).rejects.toMatchObject({ code: '23001' })
})
test('a second run finds nothing to do', async () => expect(await migrate(db)).toEqual([]))

test('every old row says whose it is; handed to its owner, the serving role sees its salon’s and no more', async () => {
  const roles = {
    owner: { name: `${name}_owner`, password: randomUUID() },
    app: { name: `${name}_app`, password: randomUUID() },
  }
  await ensureRoles(db, roles)
  await ensureRoles(db, roles)
  await grantTo(db, roles.app.name)
  try {
    const owned = await db.query(
      `SELECT relname
        FROM pg_class
        WHERE relnamespace = 'public'::regnamespace
          AND relkind IN ('r', 'v')
          AND pg_get_userbyid(relowner) <> $1`,
      [roles.owner.name],
    )
    expect(owned.rows).toEqual([])
    await asApp(roles.app, async (app) => {
      expect(await tooStrong(app as unknown as pg.PoolClient)).toBeUndefined()
      const seen = async () => (await app.query('SELECT FROM visit_detail')).rowCount
      expect(await seen()).toBe(0)
      await app.query("SELECT set_config('zen.salon', $1, false)", [ids.salon])
      expect(await seen()).toBe(1)
    })
  } finally {
    await db.query(`REASSIGN OWNED BY ${roles.owner.name} TO CURRENT_USER`)
    for (const { name: role } of [roles.app, roles.owner])
      await db.query(`DROP OWNED BY ${role}; DROP ROLE ${role}`)
  }
})

async function asApp(
  { name: user, password }: { name: string; password: string },
  work: (app: pg.Client) => Promise<void>,
) {
  const address = new URL(DATABASE)
  const app = new pg.Client({
    ...{ host: address.hostname, port: Number(address.port), database: name, user, password },
  })
  await app.connect()
  try {
    await work(app)
  } finally {
    await app.end()
  }
}
