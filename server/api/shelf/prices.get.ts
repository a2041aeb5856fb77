import type { CardCost } from '#core/costing'
import { listPrices, ratesOf } from '../../db/money.sql'
import { listProtocols } from '../../db/protocol.sql'
import { listSupplies } from '../../db/things.sql'
import { shelfToday } from '../../utils/shelf'
import { defineDoor } from '../../utils/door'
import { inWorker } from '../../utils/work'

/** What every published protocol and every enhancement in one costs to perform, beside what is asked for it here and nearby. */
export default defineDoor({ can: 'health.read' }, async ({ db, account }) => {
  const protocols = (await listProtocols(db, account.salon_id))
    .filter(({ version, archived_at }) => version !== null && archived_at === null)
    .sort((a, b) => a.name.localeCompare(b.name))
  const steps = protocols.flatMap((protocol) => protocol.steps)
  const shelf = await shelfToday(db, account.salon_id, steps)
  const { rates } = await ratesOf(db, account.salon_id)
  const supplies = await listSupplies(db, account.salon_id)
  const prices = await listPrices(db, account.salon_id)
  const written = protocols.map((protocol) => protocol.steps)
  const costs = await inWorker('costs', written, shelf, supplies, rates)
  const cards = protocols.map(({ id, name }, at) => ({ id, name, ...costs[at]! }))
  return [
    ...cards.map((card) => cardLine(card, rates.turnoverMinutes, prices)),
    ...addOnsIn(cards).map((addOn) => addOnLine(addOn, prices)),
  ]
})

type Prices = Awaited<ReturnType<typeof listPrices>>
type PricedKind = Prices[number]['kind']
type Card = CardCost & { readonly id: string; readonly name: string }
type AddOn = CardCost['addOns'][number]

/** Every enhancement once, as the last card that has it reckons it. */
const addOnsIn = (cards: readonly Card[]): AddOn[] => [
  ...new Map(cards.flatMap((card) => card.addOns.map((addOn) => [addOn.ref, addOn]))).values(),
]

function priceOf(prices: Prices, kind: PricedKind, ref: string) {
  const price = prices.find((row) => row.kind === kind && row.ref === ref)
  return { priceMinor: price?.priceMinor ?? null, goingMinor: price?.goingMinor ?? null }
}

const cardLine = ({ id, name, cost, totalS }: Card, turnoverMinutes: number, prices: Prices) => ({
  kind: 'protocol' as const,
  ref: id,
  name,
  costMinor: cost.totalMinor,
  goodsMinor: cost.goodsMinor,
  minutes: Math.round(totalS / 60) + turnoverMinutes,
  unpriced: cost.unpriced.length,
  ...priceOf(prices, 'protocol', id),
})

const addOnLine = ({ ref, title, costMinor, goodsMinor }: AddOn, prices: Prices) => ({
  kind: 'add-on' as const,
  ref,
  name: title,
  costMinor,
  goodsMinor,
  minutes: 0,
  unpriced: 0,
  ...priceOf(prices, 'add-on', ref),
})
