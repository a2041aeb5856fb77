import { z } from 'zod'
import { Batch } from '#core/catalog/model'
import { execute, many, maybeOne, type Db } from './rows'

const BatchRow = Batch.extend({ productId: z.string(), left: z.coerce.number() })

export type BatchRow = z.infer<typeof BatchRow>

/** Rows without what is null: a batch leaves out what it does not have. */
const asBatch = (row: unknown): BatchRow =>
  BatchRow.parse(
    Object.fromEntries(Object.entries(row as object).filter(([, value]) => value !== null)),
  )

/** Batches of these products, the oldest first. */
export async function batchesOf(
  db: Db,
  salonId: string,
  productIds: readonly string[],
): Promise<BatchRow[]> {
  const rows = await many(
    db,
    z.unknown(),
    `SELECT id, "productId", lot, "receivedOn", "bestBefore", "openedOn", "left"
      FROM batch_detail
      WHERE salon_id = $1
        AND "productId" = ANY ($2)
      ORDER BY "receivedOn", id`,
    [salonId, productIds],
  )
  return rows.map(asBatch)
}

/** Every batch of a salon, the oldest first. */
export async function allBatches(db: Db, salonId: string): Promise<BatchRow[]> {
  const rows = await many(
    db,
    z.unknown(),
    `SELECT id, "productId", lot, "receivedOn", "bestBefore", "openedOn", "left"
      FROM batch_detail
      WHERE salon_id = $1
      ORDER BY "receivedOn", id`,
    [salonId],
  )
  return rows.map(asBatch)
}

/** Batches by the product they belong to. */
export function batchesByProduct(rows: readonly BatchRow[]): Map<string, Batch[]> {
  const held = new Map<string, Batch[]>()
  for (const { productId, ...batch } of rows)
    held.set(productId, [...(held.get(productId) ?? []), batch])
  return held
}

type Reason = 'visit' | 'count' | 'received' | 'discarded' | 'imported'

interface Move {
  readonly reason: Reason
  readonly visitId?: string | undefined
  readonly accountId: string | null
}

/** Writes batches, one row each; what their amount changes by is kept with its reason. */
export async function saveBatches(db: Db, rows: readonly BatchRow[], move: Move) {
  await execute(
    db,
    `WITH
        new AS (
          SELECT *
          FROM jsonb_to_recordset($1) AS r (
              id text,
              "productId" text,
              lot text,
              "receivedOn" date,
              "bestBefore" date,
              "openedOn" date,
              "left" numeric
            )
        ),
        before AS (
          SELECT n.id, COALESCE(b.left_amount, 0) AS was
          FROM new n
            LEFT JOIN batch b ON b.salon_id = current_salon() AND b.id = n.id
        ),
        written AS (
          INSERT INTO batch (id, product_id, lot, received_on, best_before, opened_on, left_amount)
          SELECT id, "productId", lot, "receivedOn", "bestBefore", "openedOn", "left"
          FROM new
          ON CONFLICT (salon_id, id) DO UPDATE
          SET
            lot = excluded.lot,
            received_on = excluded.received_on,
            best_before = excluded.best_before,
            opened_on = excluded.opened_on,
            left_amount = excluded.left_amount
          RETURNING id, left_amount
        )
      INSERT INTO stock_move (id, batch_id, visit_id, amount, reason, by)
      SELECT gen_random_uuid(), w.id, $3, w.left_amount - b.was, $2, $4
      FROM written w
        JOIN before b USING (id)
      WHERE w.left_amount <> b.was`,
    [JSON.stringify(rows), move.reason, move.visitId ?? null, move.accountId],
  )
}

export async function batchOf(db: Db, salonId: string, id: string): Promise<BatchRow | undefined> {
  const row = await maybeOne(
    db,
    z.unknown(),
    `SELECT id, "productId", lot, "receivedOn", "bestBefore", "openedOn", "left"
      FROM batch_detail
      WHERE salon_id = $1
        AND id = $2`,
    [salonId, id],
  )
  return row === undefined ? undefined : asBatch(row)
}

const Owner = z.object({ id: z.string(), productId: z.string() })

/** Whose these batches are, for those that exist. */
export const batchOwners = async (db: Db, ids: readonly string[]): Promise<Map<string, string>> =>
  new Map(
    (
      await many(
        db,
        Owner,
        'SELECT id, product_id AS "productId" FROM batch WHERE salon_id = current_salon() AND id = ANY($1)',
        [ids],
      )
    ).map((row) => [row.id, row.productId]),
  )

/** Batches of some products, held until the transaction ends: nobody else takes from them meanwhile. */
export async function lockBatches(
  db: Db,
  salonId: string,
  productIds: readonly string[],
): Promise<BatchRow[]> {
  await execute(
    db,
    'SELECT FROM batch WHERE salon_id = current_salon() AND product_id = ANY($1) ORDER BY id FOR UPDATE',
    [productIds],
  )
  return batchesOf(db, salonId, productIds)
}
