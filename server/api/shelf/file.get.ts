import { currentBatch } from '#core/catalog'
import { minorDigits } from '#core/costing'
import { shelfCsv } from '#core/csv'
import { ratesOf } from '../../db/money.sql'
import { salonById } from '../../db/salon.sql'
import { listProducts } from '../../db/product.sql'
import { defineDoor } from '../../utils/door'

/** The products of the shelf as CSV; house mixes and what is put away are not in it. */
export default defineDoor({ can: 'shelf.read' }, async ({ db, event, account }) => {
  const { today } = (await salonById(db, account.salon_id))!
  const { currency } = await ratesOf(db, account.salon_id)
  const rows = (await listProducts(db, account.salon_id)).filter(
    (row) => !row.archived && !row.product.recipe,
  )
  setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
  setResponseHeader(event, 'content-disposition', `attachment; filename="shelf-${today}.csv"`)
  return shelfCsv(
    rows.map(({ product, batches }) => ({
      product,
      batch: currentBatch(batches, product.afterOpeningMonths, today) ?? batches[0],
    })),
    minorDigits(currency),
  )
})
