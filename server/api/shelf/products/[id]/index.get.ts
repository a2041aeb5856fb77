import { NotFound } from '#core/fault'
import { productOf } from '../../../../db/product.sql'
import { shelfId } from '../../../../utils/shelf'
import { defineDoor } from '../../../../utils/door'

/** One product as it is kept, with its batches. */
export default defineDoor({ can: 'shelf.read' }, async ({ db, event, account }) => {
  const found = await productOf(db, account.salon_id, shelfId(event))
  if (!found)
    throw new NotFound({
      code: 'no_product',
      detail: 'There is no such product on this shelf.',
      path: 'id',
    })
  return found
})
