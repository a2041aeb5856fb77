import { inUse } from '#core/catalog'
import { salonById } from '../../../db/salon.sql'
import { listProducts } from '../../../db/product.sql'
import { defineDoor } from '../../../utils/door'

/** Products that can go into a mix, whole: the bench reckons with them. House mixes are not among them. */
export default defineDoor({ can: 'shelf.read' }, async ({ db, account }) => {
  const { today } = (await salonById(db, account.salon_id))!
  return (await listProducts(db, account.salon_id))
    .filter((row) => !row.archived && !row.product.recipe)
    .map((row) => inUse(row.product, row.batches, today))
})
