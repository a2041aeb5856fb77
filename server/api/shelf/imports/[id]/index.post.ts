import { z } from 'zod'
import { mergeRow, type ShelfRow } from '#core/csv'
import { writeAudit } from '../../../../db/access.sql'
import { inTransaction } from '../../../../db/rows'
import {
  batchesByProduct,
  batchOwners,
  dropImport,
  hasImport,
  idsElsewhere,
  lockBatches,
  productsByIds,
  saveBatches,
  saveProducts,
  stagedRows,
} from '../../../../db/shelf.sql'
import { requireCan } from '../../../../utils/access'
import { useDb } from '../../../../utils/db'
import { parseOr400, problem } from '../../../../utils/problem'
import { shelfId } from '../../../../utils/shelf'

const Body = z.strictObject({ count: z.number().int().min(1).max(200_000) })

/** Puts everything that was sent on the shelf, in one transaction: all of it, or nothing. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'shelf.write')
  const id = shelfId(event)
  const { count } = parseOr400(Body, await readBody(event))
  return inTransaction(useDb(), async (db) => {
    if (!(await hasImport(db, account.salon_id, id)))
      throw problem(404, {
        code: 'no_import',
        detail: 'This import is over. Begin again with the file.',
        path: 'id',
      })
    const rows = (await stagedRows(db, id)) as ShelfRow[]
    if (rows.length !== count)
      throw problem(409, {
        code: 'rows_missing',
        detail: `${rows.length} of ${count} rows have arrived. Nothing was taken in; send the file again.`,
      })
    const ids = rows.map((row) => row.product.id)
    const taken = await idsElsewhere(db, account.salon_id, ids)
    if (taken.length > 0)
      throw problem(409, {
        code: 'taken',
        detail: `These ids cannot be used: ${taken.slice(0, 5).join(', ')}. Nothing was taken in.`,
        path: 'id',
      })
    const before = await productsByIds(db, account.salon_id, ids)
    const mix = rows.find((row) => before.get(row.product.id)?.recipe)
    if (mix)
      throw problem(409, {
        code: 'mix',
        detail: `“${mix.product.id}” is a house mix; it is changed on the bench. Nothing was taken in.`,
        path: 'id',
      })
    await saveProducts(
      db,
      account.salon_id,
      rows.map((row) => mergeRow(before.get(row.product.id), row)),
    )
    const held = batchesByProduct(await lockBatches(db, account.salon_id, ids))
    // A lot that the shelf knows is that batch, whatever the file calls it.
    const batches = rows.flatMap((row) => {
      const { batch, product } = row
      return batch
        ? [
            {
              ...batch,
              id: held.get(product.id)?.find((one) => one.lot === batch.lot)?.id ?? batch.id,
              productId: product.id,
            },
          ]
        : []
    })
    const owners = await batchOwners(
      db,
      batches.map((batch) => batch.id),
    )
    const clash = batches.find(
      (batch) => (owners.get(batch.id) ?? batch.productId) !== batch.productId,
    )
    if (clash)
      throw problem(409, {
        code: 'other_product',
        detail: `Lot “${clash.lot}” of ${clash.productId} clashes with a batch of ${owners.get(clash.id)}. Nothing was taken in.`,
        path: 'lot',
      })
    await saveBatches(db, batches, { reason: 'imported', accountId: account.id })
    await dropImport(db, id)
    await writeAudit(db, account.id, 'shelf.import', 'salon', account.salon_id, {
      rows: rows.length,
    })
    return { added: rows.length - before.size, changed: before.size }
  })
})
