import type { Price, Rates } from '#core/costing'
import type { Supply } from '#core/catalog'
import { listPrices, ratesOf, type PriceRow } from '../db/money.sql'
import type { Db } from '../db/rows'
import { listSupplies } from '../db/things.sql'

const asPrice = ({ priceMinor, goingMinor }: PriceRow): Price => ({
  ...(priceMinor === null ? {} : { priceMinor }),
  ...(goingMinor === null ? {} : { goingMinor }),
})

/** What a visit's cost is reckoned with: rates, supplies, what its protocol and enhancements are sold for. */
export async function moneyOf(
  db: Db,
  salonId: string,
  protocolId: string,
): Promise<{
  rates: Rates
  currency: string
  supplies: Supply[]
  price: Price
  addOns: Record<string, Price>
}> {
  const prices = await listPrices(db, salonId)
  const own = prices.find((price) => price.kind === 'protocol' && price.ref === protocolId)
  return {
    ...(await ratesOf(db, salonId)),
    supplies: await listSupplies(db, salonId),
    price: own ? asPrice(own) : {},
    addOns: Object.fromEntries(
      prices.filter((price) => price.kind === 'add-on').map((price) => [price.ref, asPrice(price)]),
    ),
  }
}

/** What the salon asks for each card that has a price, in minor units of its currency, by protocol. */
export async function cardMoney(
  db: Db,
  salonId: string,
): Promise<{ prices: Record<string, number>; currency: string }> {
  const prices = await listPrices(db, salonId)
  const { currency } = await ratesOf(db, salonId)
  return {
    currency,
    prices: Object.fromEntries(
      prices.flatMap(({ kind, ref, priceMinor }) =>
        kind === 'protocol' && priceMinor !== null ? [[ref, priceMinor]] : [],
      ),
    ),
  }
}
