import { costOfCard } from '#core/costing'
import { listPrices, ratesOf } from '../../db/money.sql'
import { listProtocols } from '../../db/protocol.sql'
import { listSupplies } from '../../db/shelf.sql'
import { requireCan } from '../../utils/access'
import { useDb } from '../../utils/db'
import { shelfToday } from '../../utils/shelf'

/** What every published protocol and every enhancement in one costs to perform, beside what is asked for it here and nearby. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'health.read')
  const db = useDb()
  const protocols = (await listProtocols(db, account.salon_id))
    .filter((one) => one.version !== null && one.archived_at === null)
    .sort((a, b) => a.name.localeCompare(b.name))
  const shelf = await shelfToday(
    db,
    account.salon_id,
    protocols.flatMap((one) => one.steps),
  )
  const [{ rates }, supplies, prices] = [
    await ratesOf(db, account.salon_id),
    await listSupplies(db, account.salon_id),
    await listPrices(db, account.salon_id),
  ]
  const priceOf = (kind: 'protocol' | 'add-on', ref: string) => {
    const one = prices.find((price) => price.kind === kind && price.ref === ref)
    return { priceMinor: one?.priceMinor ?? null, goingMinor: one?.goingMinor ?? null }
  }
  const cards = protocols.map((one) => ({
    id: one.id,
    name: one.name,
    ...costOfCard(one.steps, shelf, supplies, rates),
  }))
  const addOns = new Map(
    cards.flatMap((card) => card.addOns.map((addOn) => [addOn.ref, addOn] as const)),
  )
  return [
    ...cards.map(({ id, name, cost, totalS }) => ({
      kind: 'protocol' as const,
      ref: id,
      name,
      costMinor: cost.totalMinor,
      goodsMinor: cost.goodsMinor,
      minutes: Math.round(totalS / 60) + rates.turnoverMinutes,
      unpriced: cost.unpriced.length,
      ...priceOf('protocol', id),
    })),
    ...[...addOns].map(([ref, addOn]) => ({
      kind: 'add-on' as const,
      ref,
      name: addOn.title,
      costMinor: addOn.costMinor,
      goodsMinor: addOn.goodsMinor,
      minutes: 0,
      unpriced: 0,
      ...priceOf('add-on', ref),
    })),
  ]
})
