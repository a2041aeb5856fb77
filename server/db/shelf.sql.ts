import { z } from 'zod'
import { inUse, PRODUCT_KINDS } from '#core/catalog'
import { Batch, Device, Kit, Product, Supply, type Shelf } from '#core/catalog/model'
import { composedShelf } from '#core/mixing'
import { change, many, maybeOne, type Db } from './rows'

/** Products of one kind a visit chooses among, and those the builder of cards offers; what is named comes besides. */
const EACH_KIND_MOST = 40
export const EACH_KIND_IN_BUILDER = 400

const Ids = z.object({ id: z.string() })
const ProductRow = z.object({ body: z.unknown() })
const BatchRow = Batch.extend({ productId: z.string(), left: z.coerce.number() })
export type BatchRow = z.infer<typeof BatchRow>
const BATCH_COLUMNS = `b.id, b.product_id AS "productId", b.lot, to_char(b.received_on, 'YYYY-MM-DD') AS "receivedOn", to_char(b.best_before, 'YYYY-MM-DD') AS "bestBefore", to_char(b.opened_on, 'YYYY-MM-DD') AS "openedOn", b.left_amount AS "left"`
const asBatch = (row: unknown): BatchRow =>
  BatchRow.parse(
    Object.fromEntries(Object.entries(row as object).filter(([, value]) => value !== null)),
  )
const batches = async (db: Db, where: string, values: readonly unknown[]): Promise<BatchRow[]> =>
  (
    await many(
      db,
      z.unknown(),
      `SELECT
          ${BATCH_COLUMNS}
        FROM
          batch b
          JOIN product p ON p.id = b.product_id
        WHERE
          ${where}
        ORDER BY
          b.received_on,
          b.id`,
      values,
    )
  ).map(asBatch)
const asProduct = (body: unknown): Product => Product.parse({ ...(body as object), stock: 0 })

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
  const chosen = await many(
    db,
    Ids,
    `WITH
        first AS (
          SELECT
            p.id,
            row_number() OVER (
              PARTITION BY
                p.kind
              ORDER BY
                (
                  p.body ? 'recipe'
                  OR EXISTS (
                    SELECT
                    FROM
                      batch b
                    WHERE
                      b.product_id = p.id
                      AND b.left_amount > 0
                  )
                ) DESC,
                p.position
            ) AS n
          FROM
            product p
          WHERE
            p.salon_id = $1
            AND p.archived_at IS NULL
        ),
        chosen AS (
          SELECT
            id
          FROM
            first
          WHERE
            n <= $3
          UNION
          SELECT
            id
          FROM
            product
          WHERE
            salon_id = $1
            AND id = ANY ($2)
        )
      SELECT
        id
      FROM
        chosen
      UNION
      SELECT
        part ->> 'productId'
      FROM
        chosen
        JOIN product USING (id),
        jsonb_array_elements(body -> 'recipe' -> 'parts') AS part
      UNION
      SELECT
        other
      FROM
        chosen
        JOIN product USING (id),
        jsonb_array_elements_text(body -> 'substitutes') AS other`,
    [salonId, [...named], eachKindMost],
  )
  const ids = chosen.map((row) => row.id)
  const products = await many(
    db,
    ProductRow,
    `SELECT
        body
      FROM
        product
      WHERE
        salon_id = $1
        AND id = ANY ($2)
      ORDER BY
        position`,
    [salonId, ids],
  )
  const held = batchesByProduct(
    await batches(db, 'p.salon_id = $1 AND p.id = ANY($2)', [salonId, ids]),
  )
  const devices = await listDevices(db, salonId)
  return composedShelf({
    products: products.map((row) => {
      const product = asProduct(row.body)
      return inUse(product, held.get(product.id) ?? [], date)
    }),
    devices,
  })
}

/** Batches by the product they belong to. */
export function batchesByProduct(rows: readonly BatchRow[]): Map<string, Batch[]> {
  const held = new Map<string, Batch[]>()
  for (const { productId, ...batch } of rows)
    held.set(productId, [...(held.get(productId) ?? []), batch])
  return held
}

const ListRow = z.object({ body: z.unknown(), archived: z.boolean() })
/** Every product with its batches, in the shelf's order: for the table of the shelf. */
export async function listProducts(
  db: Db,
  salonId: string,
): Promise<{ product: Product; batches: Batch[]; archived: boolean }[]> {
  const rows = await many(
    db,
    ListRow,
    `SELECT
        body,
        archived_at IS NOT NULL AS archived
      FROM
        product
      WHERE
        salon_id = $1
      ORDER BY
        position`,
    [salonId],
  )
  const held = batchesByProduct(await batches(db, 'p.salon_id = $1', [salonId]))
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
    `SELECT
        body,
        archived_at IS NOT NULL AS archived,
        ${CHANGED}
      FROM
        product
      WHERE
        salon_id = $1
        AND id = $2`,
    [salonId, id],
  )
  return (
    row && {
      product: asProduct(row.body),
      batches: (await batches(db, 'p.salon_id = $1 AND p.id = $2', [salonId, id])).map(
        ({ productId: _, ...batch }) => batch,
      ),
      archived: row.archived,
      changedAt: row.changedAt,
    }
  )
}

/** What is stored of a product: not what follows from its batches or its parts. */
function kept({
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
/**
 * Writes a product: a new one at the end of the shelf, or over the one whose `seenAt` is still the newest. Undefined when somebody else
 * changed it meanwhile.
 */
export async function saveProduct(
  db: Db,
  salonId: string,
  product: Product,
  seenAt: string | undefined,
): Promise<string | undefined> {
  const values = [product.id, salonId, product.name, product.kind, JSON.stringify(kept(product))]
  const row =
    seenAt === undefined
      ? await maybeOne(
          db,
          At,
          `INSERT INTO
              product (id, salon_id, name, kind, position, body)
            SELECT
              $1,
              $2,
              $3,
              $4,
              COALESCE(max(position), 0) + 1,
              $5
            FROM
              product
            WHERE
              salon_id = $2
            ON CONFLICT (id) DO NOTHING
            RETURNING
              ${CHANGED}`,
          values,
        )
      : await maybeOne(
          db,
          At,
          `UPDATE product
            SET
              name = $3,
              kind = $4,
              body = $5,
              changed_at = clock_timestamp()
            WHERE
              id = $1
              AND salon_id = $2
              AND changed_at = $6::timestamptz
            RETURNING
              ${CHANGED}`,
          [...values, seenAt],
        )
  return row?.changedAt
}
export const archiveProduct = (db: Db, salonId: string, id: string, archived: boolean) =>
  change(
    db,
    `UPDATE product
      SET
        archived_at = CASE
          WHEN $3 THEN now()
        END
      WHERE
        salon_id = $1
        AND id = $2`,
    [salonId, id, archived],
  )

/** Writes many products at once, over those that are there. */
export async function saveProducts(db: Db, salonId: string, products: readonly Product[]) {
  const start = (await maybeOne(
    db,
    z.object({ at: z.coerce.number() }),
    `SELECT
        COALESCE(max(position), 0) AS at
      FROM
        product
      WHERE
        salon_id = $1`,
    [salonId],
  ))!.at
  const rows = products.map((product, at) => ({
    id: product.id,
    name: product.name,
    kind: product.kind,
    position: start + 1 + at,
    body: kept(product),
  }))
  await change(
    db,
    `INSERT INTO
        product (id, salon_id, name, kind, position, body)
      SELECT
        r.id,
        $1,
        r.name,
        r.kind,
        r.position,
        r.body
      FROM
        jsonb_to_recordset($2) AS r (id text, name text, kind text, position int, body jsonb)
      ON CONFLICT (id) DO UPDATE
      SET
        name = excluded.name,
        kind = excluded.kind,
        body = excluded.body,
        changed_at = clock_timestamp(),
        archived_at = NULL
      WHERE
        product.salon_id = $1`,
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
        `SELECT
            id,
            body
          FROM
            product
          WHERE
            salon_id = $1
            AND id = ANY ($2)
          FOR UPDATE`,
        [salonId, ids],
      )
    ).map((row) => [row.id, asProduct(row.body)]),
  )
const Other = z.object({ id: z.string() })
/** Ids that another salon uses: taken, though nothing of this salon's. */
export const idsElsewhere = async (
  db: Db,
  salonId: string,
  ids: readonly string[],
): Promise<string[]> =>
  (
    await many(db, Other, 'SELECT id FROM product WHERE salon_id <> $1 AND id = ANY($2)', [
      salonId,
      ids,
    ])
  ).map((row) => row.id)

type Reason = 'visit' | 'count' | 'received' | 'discarded' | 'imported'
interface Move {
  readonly reason: Reason
  readonly visitId?: string | undefined
  readonly accountId: string | null
}
/** Writes batches, one row each; what their amount changes by is kept with its reason. */
export async function saveBatches(db: Db, rows: readonly BatchRow[], move: Move) {
  await change(
    db,
    `WITH
        new AS (
          SELECT
            *
          FROM
            jsonb_to_recordset($1) AS r (
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
          SELECT
            n.id,
            COALESCE(b.left_amount, 0) AS was
          FROM
            new n
            LEFT JOIN batch b ON b.id = n.id
        ),
        written AS (
          INSERT INTO
            batch (id, product_id, lot, received_on, best_before, opened_on, left_amount)
          SELECT
            id,
            "productId",
            lot,
            "receivedOn",
            "bestBefore",
            "openedOn",
            "left"
          FROM
            new
          ON CONFLICT (id) DO UPDATE
          SET
            lot = excluded.lot,
            received_on = excluded.received_on,
            best_before = excluded.best_before,
            opened_on = excluded.opened_on,
            left_amount = excluded.left_amount
          RETURNING
            id,
            left_amount
        )
      INSERT INTO
        stock_move (id, batch_id, visit_id, amount, reason, by)
      SELECT
        gen_random_uuid(),
        w.id,
        $3,
        w.left_amount - b.was,
        $2,
        $4
      FROM
        written w
        JOIN before b USING (id)
      WHERE
        w.left_amount <> b.was`,
    [JSON.stringify(rows), move.reason, move.visitId ?? null, move.accountId],
  )
}
export const batchOf = async (db: Db, salonId: string, id: string): Promise<BatchRow | undefined> =>
  (await batches(db, 'p.salon_id = $1 AND b.id = $2', [salonId, id]))[0]
const Owner = z.object({ id: z.string(), productId: z.string() })
/** Whose these batches are, for those that exist. */
export const batchOwners = async (db: Db, ids: readonly string[]): Promise<Map<string, string>> =>
  new Map(
    (
      await many(db, Owner, 'SELECT id, product_id AS "productId" FROM batch WHERE id = ANY($1)', [
        ids,
      ])
    ).map((row) => [row.id, row.productId]),
  )
/** Batches of some products, held until the transaction ends: nobody else takes from them meanwhile. */
export async function lockBatches(
  db: Db,
  salonId: string,
  productIds: readonly string[],
): Promise<BatchRow[]> {
  await change(db, 'SELECT 1 FROM batch WHERE product_id = ANY($1) ORDER BY id FOR UPDATE', [
    productIds,
  ])
  return batches(db, 'p.salon_id = $1 AND p.id = ANY($2)', [salonId, productIds])
}

export const listDevices = async (db: Db, salonId: string): Promise<Device[]> =>
  (
    await many(
      db,
      z.object({ body: Device }),
      'SELECT body FROM device WHERE salon_id = $1 ORDER BY position',
      [salonId],
    )
  ).map((row) => row.body)
export const listSupplies = async (db: Db, salonId: string): Promise<Supply[]> =>
  (
    await many(
      db,
      z.object({ body: Supply }),
      'SELECT body FROM supply WHERE salon_id = $1 ORDER BY position',
      [salonId],
    )
  ).map((row) => row.body)
export const listKits = async (db: Db, salonId: string): Promise<Kit[]> =>
  (
    await many(
      db,
      z.object({ body: Kit }),
      'SELECT body FROM kit WHERE salon_id = $1 ORDER BY position',
      [salonId],
    )
  ).map((row) => row.body)

/** Device ids are unique across salons, those of supplies and kits within one. */
const KEYS = { device: 'id', supply: 'salon_id, id', kit: 'salon_id, id' } as const
/** Writes a device, a supply or a kit: a new one at the end of its list. False when the id belongs to another salon. */
export const saveThing = async (
  db: Db,
  table: keyof typeof KEYS,
  salonId: string,
  body: { readonly id: string; readonly name: string },
): Promise<boolean> =>
  (await change(
    db,
    `INSERT INTO
        ${table} (id, salon_id, name, position, body)
      SELECT
        $1,
        $2,
        $3,
        COALESCE(max(position), 0) + 1,
        $4
      FROM
        ${table}
      WHERE
        salon_id = $2
      ON CONFLICT (${KEYS[table]}) DO UPDATE
      SET
        name = excluded.name,
        body = excluded.body
      WHERE
        ${table}.salon_id = $2`,
    [body.id, salonId, body.name, JSON.stringify(body)],
  )) === 1

/** Takes single-use supplies off the shelf by id and count; never below none. */
export const takeSupplies = (
  db: Db,
  salonId: string,
  counts: readonly { readonly id: string; readonly count: number }[],
) =>
  change(
    db,
    `UPDATE supply
      SET
        body = jsonb_set(body, '{stock}', to_jsonb(GREATEST(0, (body ->> 'stock')::numeric - r.count)))
      FROM
        jsonb_to_recordset($2) AS r (id text, count numeric)
      WHERE
        supply.salon_id = $1
        AND supply.id = r.id
        AND body ->> 'kind' = 'single use'`,
    [salonId, JSON.stringify(counts)],
  )

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
    `SELECT
        u.product_id AS "productId",
        p.name,
        p.kind,
        u.lot,
        u.amount,
        u.unit
      FROM
        visit_use u
        JOIN product p ON p.id = u.product_id
      WHERE
        u.visit_id = $1
      ORDER BY
        p.position,
        u.lot`,
    [visitId],
  )
export const addUses = (
  db: Db,
  visitId: string,
  uses: readonly { productId: string; lot: string; amount: number; unit: string }[],
) =>
  change(
    db,
    `INSERT INTO
        visit_use (visit_id, product_id, lot, amount, unit)
      SELECT
        $1,
        r."productId",
        r.lot,
        r.amount,
        r.unit
      FROM
        jsonb_to_recordset($2) AS r ("productId" text, lot text, amount numeric, unit text)`,
    [visitId, JSON.stringify(uses)],
  )

const Opening = z.object({
  kitId: z.string(),
  name: z.string(),
  openedOn: z.string(),
  rest: z.array(z.object({ productId: z.string(), amount: z.number(), home: z.string() })),
})
export type KitOpening = z.infer<typeof Opening>
/** Kits opened for a client, the newest first, with what went home of each. */
export const openingsOf = (db: Db, clientId: string) =>
  many(
    db,
    Opening,
    `SELECT
        o.kit_id AS "kitId",
        k.name,
        to_char(o.opened_at, 'YYYY-MM-DD') AS "openedOn",
        o.rest
      FROM
        kit_opening o
        JOIN kit k ON k.salon_id = o.salon_id
        AND k.id = o.kit_id
      WHERE
        o.client_id = $1
      ORDER BY
        o.opened_at DESC`,
    [clientId],
  )
export const addOpening = (
  db: Db,
  opening: {
    id: string
    salonId: string
    kitId: string
    clientId: string
    visitId: string
    rest: readonly unknown[]
    accountId: string
  },
) =>
  change(
    db,
    `INSERT INTO
        kit_opening (id, salon_id, kit_id, client_id, visit_id, rest, opened_by)
      VALUES
        ($1, $2, $3, $4, $5, $6, $7)`,
    [
      opening.id,
      opening.salonId,
      opening.kitId,
      opening.clientId,
      opening.visitId,
      JSON.stringify(opening.rest),
      opening.accountId,
    ],
  )
/** One kit less on the shelf; 0 when none was left. */
export const takeKit = (db: Db, salonId: string, kitId: string) =>
  change(
    db,
    `UPDATE kit
      SET
        body = jsonb_set(body, '{stock}', to_jsonb((body ->> 'stock')::int - 1))
      WHERE
        salon_id = $1
        AND id = $2
        AND (body ->> 'stock')::int > 0`,
    [salonId, kitId],
  )

const ImportRow = z.object({ body: z.unknown() })
/** Begins an import; what was begun a day ago and never finished is gone then. */
export async function startImport(db: Db, salonId: string, id: string, accountId: string) {
  await change(
    db,
    `DELETE FROM shelf_import
      WHERE
        salon_id = $1
        AND started_at < now() - interval '1 day'`,
    [salonId],
  )
  await change(db, 'INSERT INTO shelf_import (id, salon_id, by) VALUES ($1, $2, $3)', [
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
  change(
    db,
    `INSERT INTO
        shelf_import_row (import_id, at, body)
      SELECT
        $1,
        $2::int + ordinality::int - 1,
        value
      FROM
        jsonb_array_elements($3) WITH ORDINALITY
      ON CONFLICT (import_id, at) DO UPDATE
      SET
        body = excluded.body`,
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
  change(db, 'DELETE FROM shelf_import WHERE id = $1', [id])
