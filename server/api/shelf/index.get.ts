import { ENDS_SOON_DAYS, listed, inUse } from '#core/catalog'
import { dateAfter } from '#core/client'
import { composed } from '#core/mixing'
import { ratesOf } from '../../db/money.sql'
import { salonById } from '../../db/salon.sql'
import { listDevices, listKits, listSupplies } from '../../db/things.sql'
import { listProducts } from '../../db/product.sql'
import { defineDoor } from '../../utils/door'

/** The whole shelf for its table: a line for each product, devices, supplies, kits, and the salon's rates. */
export default defineDoor({ can: 'shelf.read' }, async ({ db, account }) => {
  const { today } = (await salonById(db, account.salon_id))!
  const soon = dateAfter(today, ENDS_SOON_DAYS)
  const rows = await listProducts(db, account.salon_id)
  const plain = rows
    .filter((row) => !row.product.recipe)
    .map((row) => inUse(row.product, row.batches, today))
  return {
    today,
    ...(await ratesOf(db, account.salon_id)),
    products: rows.map((row) =>
      listed(composed(row.product, plain), row.batches, row.archived, today, soon),
    ),
    devices: await listDevices(db, account.salon_id),
    supplies: await listSupplies(db, account.salon_id),
    kits: await listKits(db, account.salon_id),
  }
})
