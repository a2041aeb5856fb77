import type { PoolClient } from 'pg'
import { z } from 'zod'
import type { Product } from '#core/catalog'
import type { ShelfRow } from '#core/csv'
import { Conflict, NotFound } from '#core/fault'
import { writeAudit } from '../../../../db/access.sql'
import type { Db } from '../../../../db/rows'
import {
  batchesByProduct,
  batchOwners,
  lockBatches,
  saveBatches,
  type BatchRow,
} from '../../../../db/batch.sql'
import { dropImport, hasImport, stagedRows } from '../../../../db/import.sql'
import { productsByIds, saveProducts } from '../../../../db/product.sql'
import { shelfId } from '../../../../utils/shelf'
import { defineDoor } from '../../../../utils/door'
import { inWorker } from '../../../../utils/work'

const Body = z.strictObject({ count: z.number().int().min(1).max(200_000) })

/** Puts everything that was sent on the shelf, in one transaction: all of it, or nothing. */
export default defineDoor(
  { can: 'shelf.write', body: Body },
  async ({ db, event, account, body }) => {
    const id = shelfId(event)
    const { count } = body
    const salonId = account.salon_id
    const rows = await completeRows(db, salonId, id, count)
    const before = await productsByIds(db, salonId, idsOf(rows))
    requireNoMix(rows, before)
    const merged = await inWorker('merge', before, rows)
    await saveProducts(db, salonId, merged)
    const batches = await batchesIn(db, salonId, rows)
    await saveBatches(db, batches, { reason: 'imported', accountId: account.id })
    await dropImport(db, id)
    await writeAudit(db, account.id, 'shelf.import', 'salon', salonId, { rows: rows.length })
    return { added: rows.length - before.size, changed: before.size }
  },
)

const idsOf = (rows: readonly ShelfRow[]): string[] => rows.map((row) => row.product.id)

/** All rows that the file has, once they have arrived. */
async function completeRows(db: Db, salonId: string, id: string, count: number) {
  if (!(await hasImport(db, salonId, id)))
    throw new NotFound({
      code: 'no_import',
      detail: 'This import is over. Begin again with the file.',
      path: 'id',
    })
  const rows = (await stagedRows(db, id)) as ShelfRow[]
  if (rows.length !== count)
    throw new Conflict({
      code: 'rows_missing',
      detail: `${rows.length} of ${count} rows have arrived. Nothing was taken in; send the file again.`,
    })
  return rows
}

function requireNoMix(rows: readonly ShelfRow[], before: ReadonlyMap<string, Product>) {
  const mix = rows.find((row) => before.get(row.product.id)?.recipe)
  if (mix)
    throw new Conflict({
      code: 'mix',
      detail: `“${mix.product.id}” is a house mix; it is changed on the bench. Nothing was taken in.`,
      path: 'id',
    })
}

/** The batches that the rows name. A lot that the shelf knows is that batch, whatever the file calls it. */
async function batchesIn(db: PoolClient, salonId: string, rows: readonly ShelfRow[]) {
  const held = batchesByProduct(await lockBatches(db, salonId, idsOf(rows)))
  const batches = rows.flatMap(({ batch, product }): BatchRow[] => {
    if (!batch) return []
    const known = held.get(product.id)?.find(({ lot }) => lot === batch.lot)
    return [{ ...batch, id: known?.id ?? batch.id, productId: product.id }]
  })
  await requireOwnBatches(db, batches)
  return batches
}

async function requireOwnBatches(db: Db, batches: readonly BatchRow[]) {
  const owners = await batchOwners(
    db,
    batches.map((batch) => batch.id),
  )
  const clash = batches.find(({ id, productId }) => (owners.get(id) ?? productId) !== productId)
  if (clash)
    throw new Conflict({
      code: 'other_product',
      detail: `Lot “${clash.lot}” of ${clash.productId} clashes with a batch of ${owners.get(clash.id)}. Nothing was taken in.`,
      path: 'lot',
    })
}
