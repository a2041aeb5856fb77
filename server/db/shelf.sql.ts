import { z } from 'zod'
import { inUse } from '#core/catalog'
import type { Product, Shelf } from '#core/catalog/model'
import { composedShelf } from '#core/mixing'
import { many, type Db } from './rows'
import { batchesOf, batchesByProduct } from './batch.sql'
import { asProduct } from './product.sql'
import { listDevices } from './things.sql'

/** Products of one kind a visit chooses among, and those the builder of cards offers; what is named comes besides. */
const EACH_KIND_MOST = 40

/** Products that go home, of which a plan for home is made. */
const TAKE_HOME_MOST = 200

export const EACH_KIND_IN_BUILDER = 400

const Ids = z.object({ id: z.string() })

const ProductRow = z.object({ body: z.unknown() })

/** What is named, what that names in turn, and the first of every kind, what is in stock before what is not. */
const CHOSEN = `WITH
        first AS (
          SELECT
            p.id,
            row_number() OVER (
              PARTITION BY p.kind
              ORDER BY
                (
                  p.body ? 'recipe'
                  OR EXISTS (
                    SELECT
                    FROM batch b
                    WHERE b.salon_id = p.salon_id AND b.product_id = p.id
                      AND b.left_amount > 0
                  )
                ) DESC,
                p.position
            ) AS n
          FROM product p
          WHERE p.salon_id = $1
            AND p.archived_at IS NULL
        ),
        chosen AS (
          SELECT id
          FROM first
          WHERE n <= $3
          UNION
          (
            SELECT id
            FROM product
            WHERE salon_id = $1
              AND archived_at IS NULL
              AND body ? 'takeHome'
            ORDER BY position
            LIMIT ${TAKE_HOME_MOST}
          )
          UNION
          SELECT id
          FROM product
          WHERE salon_id = $1
            AND id = ANY ($2)
        )
      SELECT id
      FROM chosen
      UNION
      SELECT part ->> 'productId'
      FROM chosen
        JOIN product p ON p.salon_id = $1 AND p.id = chosen.id,
        jsonb_array_elements(p.body -> 'recipe' -> 'parts') AS part
      UNION
      SELECT other
      FROM chosen
        JOIN product p ON p.salon_id = $1 AND p.id = chosen.id,
        jsonb_array_elements_text(p.body -> 'substitutes') AS other`

async function chosenIds(
  db: Db,
  salonId: string,
  named: Iterable<string>,
  eachKindMost: number,
): Promise<string[]> {
  const rows = await many(db, Ids, CHOSEN, [salonId, [...named], eachKindMost])
  return rows.map((row) => row.id)
}

async function productsOf(db: Db, salonId: string, ids: readonly string[]): Promise<Product[]> {
  const rows = await many(
    db,
    ProductRow,
    `SELECT body
      FROM product
      WHERE salon_id = $1
        AND id = ANY ($2)
      ORDER BY position`,
    [salonId, ids],
  )
  return rows.map((row) => asProduct(row.body))
}

/**
 * The shelf as a visit on a day (ISO) sees it: stock and dates from its batches, house mixes composed. It holds what is `named`, what those
 * name in turn, and the first of every kind, what is in stock before what is not.
 */
export async function loadShelf(
  db: Db,
  salonId: string,
  named: Iterable<string>,
  date: string,
  eachKindMost = EACH_KIND_MOST,
): Promise<Shelf> {
  const ids = await chosenIds(db, salonId, named, eachKindMost)
  const products = await productsOf(db, salonId, ids)
  const held = batchesByProduct(await batchesOf(db, salonId, ids))
  return composedShelf({
    products: products.map((product) => inUse(product, held.get(product.id) ?? [], date)),
    devices: await listDevices(db, salonId),
  })
}
