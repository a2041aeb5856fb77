import { NotFound } from '#core/fault'
import { productOf } from '../../../../db/product.sql'
import { requireCan } from '../../../../utils/access'
import { useDb } from '../../../../utils/db'
import { shelfId } from '../../../../utils/shelf'

/** One product as it is kept, with its batches. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'shelf.read')
  const found = await productOf(useDb(), account.salon_id, shelfId(event))
  if (!found)
    throw new NotFound({
      code: 'no_product',
      detail: 'There is no such product on this shelf.',
      path: 'id',
    })
  return found
})
