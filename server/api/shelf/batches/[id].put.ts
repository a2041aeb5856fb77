import { z } from 'zod'
import { Batch } from '#core/catalog/model'
import { Conflict, Invalid, NotFound } from '#core/fault'
import { writeAudit } from '../../../db/access.sql'
import { inTransaction } from '../../../db/rows'
import { batchOf, saveBatches } from '../../../db/batch.sql'
import { productOf } from '../../../db/product.sql'
import { requireCan } from '../../../utils/access'
import { useDb } from '../../../utils/db'
import { readJson } from '../../../utils/body'
import { parsed } from '../../../utils/problem'
import { shelfId } from '../../../utils/shelf'

const Body = z.strictObject({
  productId: z.string().max(60),
  batch: Batch,
  reason: z.enum(['count', 'received', 'discarded']),
})

/** Writes one batch: received, opened, counted or thrown away. What its amount changes by is kept with the reason. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'shelf.write')
  const id = shelfId(event)
  const { productId, batch, reason } = parsed(Body, await readJson(event))
  if (batch.id !== id)
    throw new Invalid({
      code: 'other_id',
      detail: 'The id in the body is not the one in the path.',
      path: 'batch.id',
    })
  if (batch.openedOn !== undefined && batch.openedOn < batch.receivedOn)
    throw new Invalid({
      code: 'opened_before',
      detail: 'It cannot have been opened before it came.',
      path: 'batch.openedOn',
    })
  await inTransaction(useDb(), async (db) => {
    const product = await productOf(db, account.salon_id, productId)
    if (!product)
      throw new NotFound({
        code: 'no_product',
        detail: 'There is no such product on this shelf.',
        path: 'productId',
      })
    if (product.product.recipe)
      throw new Invalid({
        code: 'mix',
        detail: 'A house mix has no batches of its own; its parts have.',
        path: 'productId',
      })
    const before = await batchOf(db, account.salon_id, id)
    if (before && before.productId !== productId)
      throw new Conflict({
        code: 'other_product',
        detail: 'This batch belongs to another product.',
        path: 'productId',
      })
    await saveBatches(db, [{ ...batch, productId }], { reason, accountId: account.id })
    await writeAudit(db, account.id, `batch.${reason}`, 'product', productId, { batch: id })
  })
  return sendNoContent(event)
})
