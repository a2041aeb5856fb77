import { z } from 'zod'
import { SalonChoices } from '#core/salon/model'
import { execute, many, maybeOne, type Db } from './rows'

// Copies of the whole database, as they were made.

interface CopyRun {
  readonly ok: boolean
  readonly file: string
  readonly bytes: number
  readonly says: string
}
/** Writes down that a copy was made, or why not. */
export const addCopyRun = (db: Db, id: string, { ok, file, bytes, says }: CopyRun) =>
  execute(
    db,
    `INSERT INTO backup_run (id, ended_at, ok, file, bytes, says)
      VALUES ($1, now(), $2, $3, $4, $5)`,
    [id, ok, file, bytes, says],
  )

const Run = z.object({
  at: z.date(),
  ok: z.boolean(),
  file: z.string(),
  bytes: z.coerce.number(),
  says: z.string(),
})
/** The newest copies and tries, the newest first. */
export const copyRuns = (db: Db, most: number) =>
  many(
    db,
    Run,
    `SELECT ended_at AS at, ok, file, COALESCE(bytes, 0) AS bytes, says
      FROM backup_run
      ORDER BY started_at DESC
      LIMIT $1`,
    [most],
  )

const Standing = z.object({ lastOk: z.date().nullable(), lastTry: z.date().nullable() })
/** When a copy was made last, and when one was tried last. */
export const copyStanding = async (db: Db) =>
  (await maybeOne(
    db,
    Standing,
    `SELECT max(ended_at) FILTER (WHERE ok) AS "lastOk", max(started_at) AS "lastTry"
      FROM backup_run`,
  ))!

const House = z.object({ choices: SalonChoices, timeZone: z.string() })
/** What the first salon of the house has chosen, and its clock; asked as the owner of the tables. */
export const houseChoices = (db: Db) =>
  maybeOne(
    db,
    House,
    `SELECT s.choices, s.time_zone AS "timeZone"
      FROM salon s
      ORDER BY (
        SELECT min(a.made_at)
        FROM account a
        WHERE a.salon_id = s.id
      ) NULLS LAST
      LIMIT 1`,
  )

/** When the house began: its first account was made. */
export const houseBegan = async (db: Db): Promise<Date> =>
  (await maybeOne(
    db,
    z.object({ at: z.date().nullable() }),
    'SELECT min(made_at) AS at FROM account',
  ))!.at ?? new Date()
