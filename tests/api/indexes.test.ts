import pg from 'pg'
import {
  bookedBeside,
  ladderBeside,
  reservedDevices,
  visitsBeside,
} from '../../server/db/beside.sql'
import { afterAll, beforeAll, expect, test } from 'vitest'
import { loadClient } from '../../server/db/client.sql'
import { listConsents } from '../../server/db/consent.sql'
import { listPatchTests } from '../../server/db/evidence.sql'
import { homeOf } from '../../server/db/home.sql'
import { loadHistory } from '../../server/db/history.sql'
import { treatedWith } from '../../server/db/lot.sql'
import { rungsOf } from '../../server/db/ladder.sql'
import { nextNotes, outcomeOf, visitBefore } from '../../server/db/outcome.sql'
import { latestPlan, listOverrides, openedPlan } from '../../server/db/plan.sql'
import { latestReading, readingBefore } from '../../server/db/reading.sql'
import type { Db } from '../../server/db/rows'
import { listEvents } from '../../server/db/run.sql'
import { firstUses, usesOf } from '../../server/db/use.sql'
import {
  followingVisit,
  nextVisitOf,
  visitById,
  visitsOn,
  type VisitRow,
} from '../../server/db/visit.sql'
import { APP_DATABASE, book, withDatabase } from './http'
import { owner } from './people'

// Under row-level security only operators that leak nothing find an index. Every question that is asked while somebody waits is explained as the
// role that asks it, with reading whole tables made as dear as it gets: where the plan still does so, no index serves.

/** Tables that grow with every visit. */
const GROWING = [
  'home_plan',
  'home_told',
  'visit',
  'client',
  'health_fact',
  'reading',
  'fitted_plan',
  'run_event',
  'outcome',
  'visit_override',
  'consent',
  'patch_test',
  'visit_use',
]

let app: pg.Client
let visit: VisitRow
beforeAll(async () => {
  const id = await book(owner, 'Hollis Marchetti')
  app = new pg.Client({ connectionString: APP_DATABASE })
  await app.connect()
  const { rows } = await withDatabase((db) =>
    db.query<{ id: string }>('SELECT current_salon() AS id'),
  )
  await app.query("SELECT set_config('zen.salon', $1, false)", [rows[0]!.id])
  await app.query('SET enable_seqscan = off')
  visit = (await visitById(app as unknown as Db, rows[0]!.id, id))!
})
afterAll(() => app.end())

/** The statements that a question asks, without their answers. */
async function statementsOf(ask: (db: Db) => Promise<unknown>) {
  const asked: { sql: string; values: unknown[] }[] = []
  const query = async (sql: string, values: unknown[]) => {
    asked.push({ sql, values })
    return app.query(sql, values)
  }
  await ask({ query } as unknown as Db)
  return asked
}
const planOf = async ({ sql, values }: { sql: string; values: unknown[] }): Promise<string> =>
  (await app.query<{ 'QUERY PLAN': string }>(`EXPLAIN (COSTS OFF) ${sql}`, values)).rows
    .map((row) => row['QUERY PLAN'])
    .join('\n')

test.each<[string, (db: Db) => Promise<unknown>]>([
  ['a visit', (db) => visitById(db, visit.salon_id, visit.id)],
  ['the visits of a day', (db) => visitsOn(db, visit.salon_id, '2026-11-28')],
  ['the visit after this one', (db) => followingVisit(db, visit)],
  ['the next visit of a client', (db) => nextVisitOf(db, visit)],
  ['devices that are needed next door', (db) => reservedDevices(db, visit)],
  ['visits in turn', (db) => visitsBeside(db, visit)],
  ['their ladders', (db) => ladderBeside(db, visit)],
  ['their bookings', (db) => bookedBeside(db, visit)],
  ['a client with every answer', (db) => loadClient(db, visit.client_id)],
  ['past visits', (db) => loadHistory(db, visit.client_id, visit.starts_at, visit.time_zone)],
  ['the newest reading', (db) => latestReading(db, visit.id)],
  ['the reading before', (db) => readingBefore(db, visit)],
  ['the newest plan', (db) => latestPlan(db, visit.id)],
  ['the plan a run was opened with', (db) => openedPlan(db, visit.id)],
  ['what was kept as written', (db) => listOverrides(db, visit.id)],
  ['the log of a run', (db) => listEvents(db, visit.id)],
  ['an outcome', (db) => outcomeOf(db, visit.id)],
  ['the visit before', (db) => visitBefore(db, visit)],
  ['what was noted for this time', (db) => nextNotes(db, visit)],
  ['consents', (db) => listConsents(db, visit.client_id)],
  ['patch tests', (db) => listPatchTests(db, visit.client_id)],
  ['what a visit used', (db) => usesOf(db, visit.id)],
  ['what it used first', (db) => firstUses(db, visit)],
  ['who had a lot', (db) => treatedWith(db, visit.salon_id, 'A-1')],
  ['home care', (db) => homeOf(db, visit)],
  ['the long ladder', (db) => rungsOf(db, visit.client_id)],
])('%s finds its index as the role that serves', async (_name, ask) => {
  const asked = await statementsOf(ask)
  expect(asked.length).toBeGreaterThan(0)
  for (const statement of asked) {
    const plan = await planOf(statement)
    const whole = GROWING.filter((table) => new RegExp(`Seq Scan on ${table}\\b`).test(plan))
    expect(whole, plan).toEqual([])
  }
})
