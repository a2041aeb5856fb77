import type { Pool, PoolClient, QueryResultRow } from 'pg'
import type { z } from 'zod'
import { Conflict } from '#core/fault'

/** A pool or one connection of it, inside a transaction. */
export type Db = Pool | PoolClient

/** All rows of a query, parsed. Values are always bound. */
export async function many<T extends z.ZodType>(
  db: Db,
  row: T,
  sql: string,
  values: readonly unknown[] = [],
): Promise<z.infer<T>[]> {
  const { rows } = await db.query<QueryResultRow>(sql, [...values])
  return rows.map((other) => row.parse(other))
}

/** The one row of a query, parsed, or undefined when there is none. */
export async function maybeOne<T extends z.ZodType>(
  db: Db,
  row: T,
  sql: string,
  values: readonly unknown[] = [],
): Promise<z.infer<T> | undefined> {
  return (await many(db, row, sql, values))[0]
}

/** A row as the core knows it: what is null is left out. */
export const withoutNulls = <T extends object>(row: T) =>
  Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null))

/** Runs a change; gives the number of rows it touched. */
export async function execute(
  db: Db,
  sql: string,
  values: readonly unknown[] = [],
): Promise<number> {
  return (await db.query(sql, [...values])).rowCount ?? 0
}

/** A statement with what is bound in it. */
type Statement = readonly [sql: string, values: readonly unknown[]]

/**
 * Adds a row whose id came from outside: sent twice it is there once. `same` finds what was sent before; where the id names another record, of
 * this salon or of another, it is refused: a reply of *kept* would be untrue. `path` is where the id stood. True where it was not there before.
 */
export async function addOnce(
  db: Db,
  insert: Statement,
  same: Statement,
  path = 'id',
): Promise<boolean> {
  if ((await execute(db, ...insert)) === 1) return true
  if ((await execute(db, ...same)) === 0) throw idTaken(path)
  return false
}

/** The id of something new names another record already. */
export const idTaken = (path: string): Conflict =>
  new Conflict({
    code: 'id_taken',
    detail: 'This id names another record already. Make a new id for it.',
    path,
  })

/** Told by the database where two transactions got into each other's way: done again, it goes through. */
const AGAIN: ReadonlySet<unknown> = new Set(['40001', '40P01'])
const MOST_TRIES = 4

/**
 * Runs `work` in one transaction of a salon: all of it or none, and no row of another salon is seen or written (row-level security reads the
 * setting). What the database wants done again is done again, so that `work` changes nothing but rows.
 */
export async function inSalon<T>(
  pool: Pool,
  salonId: string,
  work: (db: PoolClient) => Promise<T> | T,
): Promise<T> {
  for (let tries = 1; ; tries++)
    try {
      return await once(pool, salonId, work)
    } catch (error) {
      if (tries === MOST_TRIES || !AGAIN.has((error as { code?: unknown }).code)) throw error
    }
}

/** Runs `work` in one transaction of no salon: it sees none of their rows. */
export const inTransaction = <T>(pool: Pool, work: (db: PoolClient) => Promise<T> | T) =>
  once(pool, '', work)

async function once<T>(
  pool: Pool,
  salonId: string,
  work: (db: PoolClient) => Promise<T> | T,
): Promise<T> {
  const client = await pool.connect()
  let broken: Error | undefined
  try {
    // Together with the first statement of the work in one trip: the connection keeps their order (`pipeline`).
    const begun = Promise.all([
      client.query('BEGIN'),
      client.query("SELECT set_config('zen.salon', $1, true)", [salonId]),
    ])
    // Both are waited for whatever comes of them: a connection goes back when nobody works with it any more.
    const [opened, worked] = await Promise.allSettled([begun, work(client)])
    if (opened.status === 'rejected') throw opened.reason
    if (worked.status === 'rejected') throw worked.reason
    const result = worked.value
    await client.query('COMMIT')
    return result
  } catch (error) {
    await client.query('ROLLBACK').catch((gone: Error) => {
      broken = gone
    })
    throw error
  } finally {
    // A connection that cannot even go back is not used again.
    client.release(broken)
  }
}
