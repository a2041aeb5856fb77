import { z } from 'zod'
import { type Batch, Product } from '#core/catalog/model'
import { execute, many, maybeOne, type Db } from './rows'
import { batchesOf, allBatches, batchesByProduct } from './batch.sql'

export const asProduct = (body: unknown): Product =>
  Product.parse({ ...(body as object), stock: 0 })

const ListRow = z.object({ body: z.unknown(), archived: z.boolean() })

/** Every product with its batches, in the shelf's order: for the table of the shelf. */
export async function listProducts(
  db: Db,
  salonId: string,
): Promise<{ product: Product; batches: Batch[]; archived: boolean }[]> {
  const rows = await many(
    db,
    ListRow,
    `SELECT body, archived_at IS NOT NULL AS archived
      FROM product
      WHERE salon_id = $1
      ORDER BY position`,
    [salonId],
  )
  const held = batchesByProduct(await allBatches(db, salonId))
  return rows.map((row) => {
    const product = asProduct(row.body)
    return { product, batches: held.get(product.id) ?? [], archived: row.archived }
  })
}

const OneRow = ListRow.extend({ changedAt: z.string() })

const CHANGED = `to_char(changed_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"') AS "changedAt"`

/** One product as it is kept, with its batches; undefined when the salon has none of that id. */
export async function productOf(
  db: Db,
  salonId: string,
  id: string,
): Promise<
  { product: Product; batches: Batch[]; archived: boolean; changedAt: string } | undefined
> {
  const row = await maybeOne(
    db,
    OneRow,
    `SELECT body, archived_at IS NOT NULL AS archived, ${CHANGED}
      FROM product
      WHERE salon_id = $1
        AND id = $2`,
    [salonId, id],
  )
  return (
    row && {
      product: asProduct(row.body),
      batches: (await batchesOf(db, salonId, [id])).map(({ productId: _, ...batch }) => batch),
      archived: row.archived,
      changedAt: row.changedAt,
    }
  )
}

/** What is stored of a product: not what follows from its batches or its parts. */
export function kept({
  stock: _stock,
  lot: _lot,
  openedOn: _opened,
  bestBefore: _best,
  ...product
}: Product) {
  if (!product.recipe?.own) return product
  const { own, ...recipe } = product.recipe
  return { ...product, ...own, recipe, actives: [], inci: undefined }
}

const At = z.object({ changedAt: z.string() })

const columnsOf = (salonId: string, product: Product) => [
  product.id,
  salonId,
  product.name,
  product.kind,
  JSON.stringify(kept(product)),
]

/** Puts a new product at the end of the shelf; gives when, or undefined when its id is taken. */
export async function insertProduct(
  db: Db,
  salonId: string,
  product: Product,
): Promise<string | undefined> {
  const row = await maybeOne(
    db,
    At,
    `INSERT INTO product (id, salon_id, name, kind, position, body)
      SELECT $1, $2, $3, $4, COALESCE(max(position), 0) + 1, $5
      FROM product
      WHERE salon_id = $2
      ON CONFLICT (salon_id, id) DO NOTHING
      RETURNING ${CHANGED}`,
    columnsOf(salonId, product),
  )
  return row?.changedAt
}

/** Writes a product over the one last changed at `seenAt`; gives when, or undefined when somebody else changed it meanwhile. */
export async function updateProduct(
  db: Db,
  salonId: string,
  product: Product,
  seenAt: string,
): Promise<string | undefined> {
  const row = await maybeOne(
    db,
    At,
    `UPDATE product
      SET name = $3, kind = $4, body = $5, changed_at = clock_timestamp()
      WHERE id = $1
        AND salon_id = $2
        AND changed_at = $6::timestamptz
      RETURNING ${CHANGED}`,
    [...columnsOf(salonId, product), seenAt],
  )
  return row?.changedAt
}

export const archiveProduct = (db: Db, salonId: string, id: string, archived: boolean) =>
  execute(
    db,
    `UPDATE product
      SET
        archived_at = CASE
          WHEN $3 THEN now()
        END
      WHERE salon_id = $1
        AND id = $2`,
    [salonId, id, archived],
  )

/** Writes many products at once, over those that are there. */
export async function saveProducts(db: Db, salonId: string, products: readonly Product[]) {
  const start = (await maybeOne(
    db,
    z.object({ at: z.coerce.number() }),
    `SELECT COALESCE(max(position), 0) AS at
      FROM product
      WHERE salon_id = $1`,
    [salonId],
  ))!.at
  const rows = products.map((product, at) => ({
    id: product.id,
    name: product.name,
    kind: product.kind,
    position: start + 1 + at,
    body: kept(product),
  }))
  await execute(
    db,
    `INSERT INTO product (id, salon_id, name, kind, position, body)
      SELECT r.id, $1, r.name, r.kind, r.position, r.body
      FROM jsonb_to_recordset($2) AS r (id text, name text, kind text, position int, body jsonb)
      ON CONFLICT (salon_id, id) DO UPDATE
      SET
        name = excluded.name,
        kind = excluded.kind,
        body = excluded.body,
        changed_at = clock_timestamp(),
        archived_at = NULL`,
    [salonId, JSON.stringify(rows)],
  )
}

const Existing = z.object({ id: z.string(), body: z.unknown() })

export const productsByIds = async (
  db: Db,
  salonId: string,
  ids: readonly string[],
): Promise<Map<string, Product>> =>
  new Map(
    (
      await many(
        db,
        Existing,
        `SELECT id, body
          FROM product
          WHERE salon_id = $1
            AND id = ANY ($2)
          ORDER BY id
          FOR UPDATE`,
        [salonId, ids],
      )
    ).map((row) => [row.id, asProduct(row.body)]),
  )

/** Names of products by id; who is not there has none. */
export const productNames = async (
  db: Db,
  salonId: string,
  ids: readonly string[],
): Promise<Record<string, string>> =>
  Object.fromEntries(
    (
      await many(
        db,
        z.object({ id: z.string(), name: z.string() }),
        'SELECT id, name FROM product WHERE salon_id = $1 AND id = ANY ($2)',
        [salonId, ids],
      )
    ).map(({ id, name }) => [id, name]),
  )
