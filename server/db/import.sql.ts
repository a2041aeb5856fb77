import { z } from 'zod'
import { execute, many, maybeOne, type Db } from './rows'

const ImportRow = z.object({ body: z.unknown() })

/** Begins an import; what was begun a day ago and never finished is gone then. */
export async function startImport(db: Db, salonId: string, id: string, accountId: string) {
  await execute(
    db,
    `DELETE FROM shelf_import
      WHERE salon_id = $1
        AND started_at < now() - interval '1 day'`,
    [salonId],
  )
  await execute(db, 'INSERT INTO shelf_import (id, salon_id, by) VALUES ($1, $2, $3)', [
    id,
    salonId,
    accountId,
  ])
}

export const hasImport = async (db: Db, salonId: string, id: string) =>
  (await maybeOne(
    db,
    z.object({ id: z.string() }),
    'SELECT id FROM shelf_import WHERE salon_id = $1 AND id = $2',
    [salonId, id],
  )) !== undefined

export const stageRows = (db: Db, id: string, from: number, rows: readonly unknown[]) =>
  execute(
    db,
    `INSERT INTO shelf_import_row (import_id, at, body)
      SELECT $1, $2::int + ordinality::int - 1, value
      FROM jsonb_array_elements($3) WITH ORDINALITY
      ON CONFLICT (import_id, at) DO UPDATE
      SET body = excluded.body`,
    [id, from, JSON.stringify(rows)],
  )

export const stagedRows = async (db: Db, id: string): Promise<unknown[]> =>
  (
    await many(
      db,
      ImportRow,
      'SELECT body FROM shelf_import_row WHERE import_id = $1 ORDER BY at',
      [id],
    )
  ).map((row) => row.body)

export const dropImport = (db: Db, id: string) =>
  execute(db, 'DELETE FROM shelf_import WHERE id = $1', [id])
