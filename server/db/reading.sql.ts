import { z } from 'zod'
import { NOTHING_READ, Reading } from '#core/skin/model'
import { addOnce, maybeOne, type Db } from './rows'
import type { VisitRow } from './visit.sql'

export async function latestReading(db: Db, visitId: string): Promise<Reading> {
  const row = await maybeOne(
    db,
    z.object({ body: Reading }),
    `SELECT body
      FROM reading
      WHERE visit_id = $1
      ORDER BY read_at DESC, id DESC
      LIMIT 1`,
    [visitId],
  )
  return row?.body ?? NOTHING_READ
}

/** A reading of this id was taken already. */
export const isReading = async (db: Db, id: string): Promise<boolean> =>
  (await maybeOne(db, z.object({}), 'SELECT FROM reading WHERE id = $1', [id])) !== undefined

const ReadBefore = z.object({ on: z.string(), body: Reading })

/** The last reading of a client before a visit, with its day, or undefined: laid under today's map. */
export const readingBefore = (db: Db, visit: VisitRow) =>
  maybeOne(
    db,
    ReadBefore,
    `SELECT to_char(v.starts_at AT TIME ZONE $3, 'YYYY-MM-DD') AS "on", r.body
      FROM reading r
        JOIN visit v ON v.id = r.visit_id
      WHERE v.client_id = $1
        AND v.starts_at < $2
        AND (r.body ->> 'done')::boolean
      ORDER BY v.starts_at DESC, r.read_at DESC
      LIMIT 1`,
    [visit.client_id, visit.starts_at, visit.time_zone],
  )

export const addReading = (
  db: Db,
  id: string,
  visitId: string,
  reading: Reading,
  accountId: string | null,
) =>
  addOnce(
    db,
    [
      `INSERT INTO reading (id, visit_id, body, read_by)
      VALUES ($1, $2, $3, $4)
      ON CONFLICT (id) DO NOTHING`,
      [id, visitId, reading, accountId],
    ],
    [`SELECT FROM reading WHERE id = $1 AND visit_id = $2 AND body = $3`, [id, visitId, reading]],
  )
