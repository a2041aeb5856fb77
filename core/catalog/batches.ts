import { addMonths, format, parseISO } from 'date-fns'
import type { Batch, Product } from './model'
import type { Unit } from './words'

/** What a product is counted in: as it says, else as its first dose, else as its measure, else grams. */
export const unitOf = (product: Pick<Product, 'unit' | 'uses' | 'measure'>): Unit =>
  product.unit ?? product.uses.find((use) => use.dose)?.dose?.unit ?? product.measure?.unit ?? 'g'

/** The last day a batch may be used (ISO): the earlier of its date and its time after opening. Undefined: neither is known. */
export function usableUntil(
  batch: Pick<Batch, 'bestBefore' | 'openedOn'>,
  afterOpeningMonths: number | undefined,
): string | undefined {
  const opened =
    batch.openedOn !== undefined && afterOpeningMonths !== undefined
      ? format(addMonths(parseISO(batch.openedOn), afterOpeningMonths), 'yyyy-MM-dd')
      : undefined
  const ends = [batch.bestBefore, opened].filter((day) => day !== undefined).sort()
  return ends[0]
}

/** A batch that may still be used on a day (ISO), its last day included (rule D22). */
export function usableOn(
  batch: Pick<Batch, 'bestBefore' | 'openedOn'>,
  afterOpeningMonths: number | undefined,
  date: string,
): boolean {
  const until = usableUntil(batch, afterOpeningMonths)
  return until === undefined || until >= date
}

/** The batch to take from: usable and not empty, an open one first, then the one that ends first, then the oldest. */
export function currentBatch(
  batches: readonly Batch[],
  afterOpeningMonths: number | undefined,
  date: string,
): Batch | undefined {
  const key = (batch: Batch) =>
    `${batch.openedOn === undefined ? 1 : 0}|${usableUntil(batch, afterOpeningMonths) ?? '9999'}|${batch.receivedOn}|${batch.id}`
  return batches
    .filter((batch) => batch.left > 0 && usableOn(batch, afterOpeningMonths, date))
    .sort((a, b) => (key(a) < key(b) ? -1 : 1))[0]
}

/** More than any visit takes: what nobody has counted never runs short. */
const UNCOUNTED = 1_000_000
/** True until the first batch of a product that nobody has counted is written down. */
export const isUncounted = (product: Product, batches: readonly Batch[]): boolean =>
  product.uncounted === true && batches.length === 0

/**
 * The product as a visit on this day (ISO) sees it: stock of all batches that may be used, with lot and dates of the one to take from.
 * Where only batches past their time are left, the product is shown with the dates of one of them, so that rule D22 speaks.
 */
export function inUse(product: Product, batches: readonly Batch[], date: string): Product {
  const { lot: _lot, openedOn: _opened, bestBefore: _best, ...rest } = product
  const left = batches.filter((batch) => batch.left > 0)
  const usable = left.filter((batch) => usableOn(batch, product.afterOpeningMonths, date))
  const shown = currentBatch(batches, product.afterOpeningMonths, date) ?? left[0]
  const counted = round(
    (usable.length > 0 ? usable : left).reduce((sum, batch) => sum + batch.left, 0),
  )
  const stock = isUncounted(product, batches) ? UNCOUNTED : counted
  return {
    ...rest,
    stock,
    ...(shown?.lot ? { lot: shown.lot } : {}),
    ...(shown?.openedOn ? { openedOn: shown.openedOn } : {}),
    ...(shown?.bestBefore ? { bestBefore: shown.bestBefore } : {}),
  }
}

/** Takes an amount off batches in their order of use. `short`: what they could not give. */
export function takeFrom(
  batches: readonly Batch[],
  afterOpeningMonths: number | undefined,
  date: string,
  amount: number,
): { taken: { batchId: string; lot: string; amount: number }[]; short: number } {
  const taken: { batchId: string; lot: string; amount: number }[] = []
  let rest = round(amount)
  let left = batches
  for (
    let next = currentBatch(left, afterOpeningMonths, date);
    next && rest > 0;
    next = currentBatch(left, afterOpeningMonths, date)
  ) {
    const { id, lot } = next
    const part = Math.min(next.left, rest)
    taken.push({ batchId: id, lot, amount: part })
    rest = round(rest - part)
    left = left.filter((batch) => batch.id !== id)
  }
  return { taken, short: rest }
}

/** Batches after something was taken off them on a day (ISO): one that is begun counts as opened from then on. */
export const afterTaking = <T extends Batch>(
  batches: readonly T[],
  taken: readonly { readonly batchId: string; readonly amount: number }[],
  date: string,
): T[] =>
  batches.map((batch) => {
    const part = taken.find((use) => use.batchId === batch.id)
    return part
      ? { ...batch, left: round(batch.left - part.amount), openedOn: batch.openedOn ?? date }
      : batch
  })

/** To thousandths of a gram or millilitre: what a database keeps and no scale sees. */
const round = (amount: number): number => Math.round(amount * 1000) / 1000
