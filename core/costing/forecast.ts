import { differenceInCalendarDays, parseISO } from 'date-fns'
import { afterTaking, takeFrom, unitOf, usableUntil } from '../catalog/batches'
import type { Batch, Product } from '../catalog/model'
import type { Unit } from '../catalog/words'

/** One thing a booked visit will take, on its day (ISO). */
export interface Demand {
  readonly date: string
  readonly productId: string
  readonly amount: number
}
export interface Stocked {
  readonly product: Product
  readonly batches: readonly Batch[]
}

export interface ProductForecast {
  readonly productId: string
  readonly name: string
  readonly unit: Unit
  readonly usableNow: number
  /** What the booked visits take. */
  readonly booked: number
  readonly visits: number
  /** The first day on which a booked visit cannot have all of it; undefined: it lasts. */
  readonly runsOutOn: string | undefined
  readonly short: number
  /** Left in batches that end before the horizon does: it will be thrown away unless it is used up first. */
  readonly wasted: number
  /** The day the batch in use must be gone by. */
  readonly openUntil: string | undefined
}
export interface OrderLine {
  readonly productId: string
  readonly name: string
  readonly packs: number
  readonly packAmount: number
  readonly unit: Unit
  readonly by: string
  readonly priceMinor: number
}

/**
 * What the booked visits do to the shelf until the last of them: each takes from the batch that is to be used first on its day, a fresh
 * batch counting as opened from then on. Products nobody has booked keep their stock and still grow old.
 */
export function forecast(
  stocked: readonly Stocked[],
  demands: readonly Demand[],
  today: string,
  until: string,
): ProductForecast[] {
  return stocked.map(({ product, batches }) => {
    const own = demands
      .filter((demand) => demand.productId === product.id)
      .sort((a, b) => a.date.localeCompare(b.date))
    const { left, runsOutOn, short } = consume(product, batches, own)
    const usable = (batch: Batch) => {
      const end = usableUntil(batch, product.afterOpeningMonths)
      return end === undefined || end >= today
    }
    const wasted = left.filter((batch) => {
      const end = usableUntil(batch, product.afterOpeningMonths)
      return usable(batch) && end !== undefined && end < until
    })
    const opened = batches.filter(
      (batch) => batch.openedOn !== undefined && batch.left > 0 && usable(batch),
    )
    return {
      productId: product.id,
      name: product.name,
      unit: unitOf(product),
      usableNow: tenth(batches.filter(usable).reduce((sum, batch) => sum + batch.left, 0)),
      booked: tenth(own.reduce((sum, batch) => sum + batch.amount, 0)),
      visits: own.length,
      runsOutOn,
      short: tenth(short),
      wasted: tenth(wasted.reduce((sum, batch) => sum + batch.left, 0)),
      openUntil: opened
        .flatMap((batch) => usableUntil(batch, product.afterOpeningMonths) ?? [])
        .sort()[0],
    }
  })
}

function consume(
  product: Product,
  batches: readonly Batch[],
  own: readonly Demand[],
): { left: readonly Batch[]; runsOutOn: string | undefined; short: number } {
  let left = batches
  let runsOutOn: string | undefined
  let short = 0
  for (const { date, amount } of own) {
    const took = takeFrom(left, product.afterOpeningMonths, date, amount)
    left = afterTaking(left, took.taken, date)
    if (took.short > 0) runsOutOn ??= date
    short += took.short
  }
  return { left, runsOutOn, short }
}

/** Order early enough that a parcel is there (house figure). */
export const ORDER_AHEAD_DAYS = 7
/** What is ordered above the bare need, so that one more visit does not empty the shelf again (house figure). */
const RESERVE = 0.25

/** What to order so that every booked visit has what it takes: whole packs, the soonest first. A product without a pack size counts as one pack. */
export function orderList(
  forecasts: readonly ProductForecast[],
  products: readonly Product[],
): OrderLine[] {
  return forecasts
    .filter((forecast) => forecast.short > 0)
    .map((forecast) => {
      const pack = products.find((product) => product.id === forecast.productId)?.pack
      const packs = pack
        ? Math.max(1, Math.ceil((forecast.short * (1 + RESERVE)) / pack.amount - 1e-9))
        : 1
      return {
        productId: forecast.productId,
        name: forecast.name,
        packs,
        packAmount: pack?.amount ?? forecast.short,
        unit: forecast.unit,
        by: forecast.runsOutOn!,
        priceMinor: packs * (pack?.priceMinor ?? 0),
      }
    })
    .sort((a, b) => a.by.localeCompare(b.by) || a.name.localeCompare(b.name))
}

/** True when a parcel ordered today may come too late. */
export const isUrgent = (line: Pick<OrderLine, 'by'>, today: string): boolean =>
  differenceInCalendarDays(parseISO(line.by), parseISO(today)) < ORDER_AHEAD_DAYS
const tenth = (amount: number): number => Math.round(amount * 10) / 10
