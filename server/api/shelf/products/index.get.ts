import { inUse } from '#core/catalog'
import { salonById } from '../../../db/salon.sql'
import { listProducts } from '../../../db/product.sql'
import { requireCan } from '../../../utils/access'
import { useDb } from '../../../utils/db'

/** Products that can go into a mix, whole: the bench reckons with them. House mixes are not among them. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'shelf.read')
  const { today } = (await salonById(useDb(), account.salon_id))!
  return (await listProducts(useDb(), account.salon_id))
    .filter((row) => !row.archived && !row.product.recipe)
    .map((row) => inUse(row.product, row.batches, today))
})
