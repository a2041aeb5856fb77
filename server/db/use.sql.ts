import { z } from 'zod'
import { PRODUCT_KINDS } from '#core/catalog'
import { execute, many, type Db } from './rows'
import type { VisitRow } from './visit.sql'

const UseRow = z.object({
  productId: z.string(),
  name: z.string(),
  kind: z.enum(PRODUCT_KINDS),
  lot: z.string(),
  amount: z.coerce.number(),
  unit: z.enum(['g', 'mL']),
})

export type VisitUse = z.infer<typeof UseRow>

/** What a visit used, with its lots. */
export const usesOf = (db: Db, visitId: string) =>
  many(
    db,
    UseRow,
    `SELECT u.product_id AS "productId", p.name, p.kind, u.lot, u.amount, u.unit
      FROM visit_use u
        JOIN product p ON p.salon_id = u.salon_id AND p.id = u.product_id
      WHERE u.visit_id = $1
      ORDER BY p.position, u.lot`,
    [visitId],
  )

export const addUses = (
  db: Db,
  visitId: string,
  uses: readonly { productId: string; lot: string; amount: number; unit: string }[],
) =>
  execute(
    db,
    `INSERT INTO visit_use (visit_id, product_id, lot, amount, unit)
      SELECT $1, r."productId", r.lot, r.amount, r.unit
      FROM jsonb_to_recordset($2) AS r ("productId" text, lot text, amount numeric, unit text)`,
    [visitId, JSON.stringify(uses)],
  )

/** Products that no visit of the client before this one used, by id. */
export const firstUses = async (db: Db, visit: VisitRow): Promise<string[]> =>
  (
    await many(
      db,
      z.object({ productId: z.string() }),
      `SELECT DISTINCT u.product_id AS "productId"
        FROM visit_use u
        WHERE u.visit_id = $1
          AND NOT EXISTS (
            SELECT
            FROM visit v
              JOIN visit_use earlier ON earlier.visit_id = v.id AND earlier.product_id = u.product_id
            WHERE v.client_id = $2
              AND v.starts_at < $3
          )`,
      [visit.id, visit.client_id, visit.starts_at],
    )
  ).map(({ productId }) => productId)
