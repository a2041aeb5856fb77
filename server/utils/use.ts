import type { PoolClient } from 'pg'
import { prepared, type FittedPlan } from '#core/adapt'
import { afterTaking, takeFrom, unitOf } from '#core/catalog'
import { summedUses, usedBy, type Use } from '#core/costing'
import type { Step } from '#core/protocol'
import { doneBy, subjectReader } from '#core/strength'
import type { Db } from '../db/rows'
import { addUses } from '../db/use.sql'
import { batchesByProduct, lockBatches, saveBatches, type BatchRow } from '../db/batch.sql'
import { productsByIds } from '../db/product.sql'
import type { VisitRow } from '../db/visit.sql'
import { compileInputOf } from './visit-input'
import { formatInTimeZone } from './zone'

type Taken = Pick<Use, 'productId' | 'amount'>

/** What these steps take by plan, product by product; parts of house mixes apart. */
export async function plannedUse(
  db: Db,
  visit: VisitRow,
  steps: readonly Step[],
): Promise<Taken[]> {
  const shelf = await shelfOf(db, visit)
  return summedUses(steps.flatMap((step) => usedBy(step, shelf, visit.prep?.size)))
}
/** What they did, as far as the days after depend on it. */
export async function workDone(
  db: Db,
  visit: VisitRow,
  { steps, stung }: { readonly steps: readonly Step[]; readonly stung: ReadonlySet<string> },
) {
  const shelf = await shelfOf(db, visit)
  return doneBy(steps, subjectReader(shelf), stung)
}

const shelfOf = async (db: Db, visit: VisitRow) => prepared(await compileInputOf(db, visit)).shelf

/** The first product named that the salon does not have. */
export async function firstUnknownProduct(
  db: Db,
  salonId: string,
  uses: readonly Taken[],
): Promise<string | undefined> {
  const known = await productsByIds(
    db,
    salonId,
    uses.map((use) => use.productId),
  )
  return uses.find((use) => !known.has(use.productId))?.productId
}
/** Supplies of a tray counted together. */
export function suppliesOf(tray: FittedPlan['tray']): { id: string; count: number }[] {
  const sums = new Map<string, number>()
  for (const { supply } of tray)
    if (supply) sums.set(supply.id, (sums.get(supply.id) ?? 0) + supply.count)
  return [...sums].map(([id, count]) => ({ id, count }))
}

/** Lot written where the shelf held less than was used: somebody had it from elsewhere, or the count was wrong. */
const NO_LOT = 'not counted'

/**
 * Takes what a visit used off its batches, in their order of use, and writes it on the visit's record with the lots. A batch that is begun
 * counts as opened on the visit's day. What no batch could give is recorded too, as not counted. Needs a transaction.
 */
export async function takeOffShelf(
  db: PoolClient,
  visit: VisitRow,
  uses: readonly Taken[],
  accountId: string,
) {
  const wanted = summedUses(uses).filter((use) => use.amount > 0)
  const products = await productsByIds(
    db,
    visit.salon_id,
    wanted.map((use) => use.productId),
  )
  const held = batchesByProduct(await lockBatches(db, visit.salon_id, [...products.keys()]))
  const { date } = formatInTimeZone(visit.starts_at, visit.time_zone)
  const left: BatchRow[] = []
  const lines = wanted.flatMap(({ productId, amount }) => {
    const product = products.get(productId)
    if (!product || product.recipe) return []
    const batches = held.get(productId) ?? []
    const { taken, short } = takeFrom(batches, product.afterOpeningMonths, date, amount)
    left.push(
      ...afterTaking(batches, taken, date)
        .filter((batch) => taken.some((part) => part.batchId === batch.id))
        .map((batch) => ({ ...batch, productId })),
    )
    return [...taken, ...(short > 0 ? [{ lot: NO_LOT, amount: short }] : [])].map((part) => ({
      productId,
      lot: part.lot,
      amount: part.amount,
      unit: unitOf(product),
    }))
  })
  const byLot = new Map<string, (typeof lines)[number]>()
  for (const line of lines) {
    const key = `${line.productId}|${line.lot}`
    byLot.set(key, { ...line, amount: (byLot.get(key)?.amount ?? 0) + line.amount })
  }
  await addUses(db, visit.id, [...byLot.values()])
  await saveBatches(db, left, { reason: 'visit', visitId: visit.id, accountId })
}
