import type { Pool, PoolClient, QueryResultRow } from 'pg'
import type { z } from 'zod'

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

/** Runs a change; gives the number of rows it touched. */
export async function execute(
  db: Db,
  sql: string,
  values: readonly unknown[] = [],
): Promise<number> {
  return (await db.query(sql, [...values])).rowCount ?? 0
}

/** Runs `work` in one transaction: all of it or none. */
export async function inTransaction<T>(
  pool: Pool,
  work: (db: PoolClient) => Promise<T>,
): Promise<T> {
  const client = await pool.connect()
  try {
    await client.query('BEGIN')
    const result = await work(client)
    await client.query('COMMIT')
    return result
  } catch (error) {
    await client.query('ROLLBACK')
    throw error
  } finally {
    client.release()
  }
}
