import { z } from 'zod'
import { Batch } from '#core/catalog/model'
import { Conflict, Invalid, NotFound } from '#core/fault'
import { writeAudit } from '../../../db/access.sql'
import { batchOf, saveBatches } from '../../../db/batch.sql'
import { productOf } from '../../../db/product.sql'
import { shelfId } from '../../../utils/shelf'
import { defineDoor } from '../../../utils/door'

const Body = z.strictObject({
  productId: z.string().max(60),
  batch: Batch,
  reason: z.enum(['count', 'received', 'discarded']),
})

/** Writes one batch: received, opened, counted or thrown away. What its amount changes by is kept with the reason. */
export default defineDoor(
  { can: 'shelf.write', body: Body },
  async ({ db, event, account, body }) => {
    const id = shelfId(event)
    const { productId, batch, reason } = body
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
  },
)
