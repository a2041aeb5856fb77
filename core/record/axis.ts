import { dateAfter, daysBetween } from '../client'

/** A quarter of a year: "2026-Q3", from its first day to the first day of the next. */
export interface Quarter {
  readonly id: string
  readonly from: string
  readonly to: string
}

/** A quarter as it is drawn: to scale, or folded into one line. */
export interface Band extends Quarter {
  readonly isOpen: boolean
  /** Days of visits in it, the oldest first. */
  readonly visits: readonly string[]
  readonly top: number
  readonly bottom: number
}

export interface Axis {
  readonly bands: readonly Band[]
  readonly height: number
  /** Where a day is. A day outside is at the nearest end. */
  readonly yOf: (day: string) => number
  /** First days of months in open quarters. */
  readonly months: readonly { readonly on: string; readonly y: number }[]
}

export interface AxisInput {
  /** Days (ISO) from which to which the ladder is drawn. */
  readonly from: string
  readonly to: string
  readonly visits: readonly string[]
  readonly open: ReadonlySet<string>
  /** Height of a day in an open quarter, and of a whole folded one. */
  readonly dayHeight: number
  readonly foldedHeight: number
}

const MONTHS_IN_QUARTER = 3
const isoDay = (year: number, month: number): string =>
  `${year + Math.floor(month / 12)}-${String((month % 12) + 1).padStart(2, '0')}-01`

/** The quarter in which a day lies. */
export function quarterOf(day: string): Quarter {
  const year = Number(day.slice(0, 4))
  const at = Math.floor((Number(day.slice(5, 7)) - 1) / MONTHS_IN_QUARTER)
  const month = at * MONTHS_IN_QUARTER
  return {
    id: `${year}-Q${at + 1}`,
    from: isoDay(year, month),
    to: isoDay(year, month + MONTHS_IN_QUARTER),
  }
}

/** Every quarter from one day to another, both included. */
export function quartersBetween(from: string, to: string): Quarter[] {
  const quarters = [quarterOf(from)]
  while (quarters.at(-1)!.to <= to) quarters.push(quarterOf(quarters.at(-1)!.to))
  return quarters
}

/**
 * Time that runs down to scale. Quarters that are not open are one line each, in which time still runs evenly; several folded ones
 * without a visit in a row are one line together.
 */
export function axisOf(input: AxisInput): Axis {
  const bands = bandsOf(input)
  const yOf = (day: string): number => {
    const band = bands.find(({ to }) => day < to) ?? bands.at(-1)!
    const share = daysBetween(band.from, day) / daysBetween(band.from, band.to)
    return band.top + Math.min(1, Math.max(0, share)) * (band.bottom - band.top)
  }
  const months = bands
    .filter(({ isOpen }) => isOpen)
    .flatMap(monthsOf)
    .map((on) => ({ on, y: yOf(on) }))
  return { bands, months, yOf, height: bands.at(-1)!.bottom }
}

function bandsOf({ from, to, visits, open, dayHeight, foldedHeight }: AxisInput): Band[] {
  const bands: Band[] = []
  for (const quarter of quartersBetween(from, to)) {
    const inIt = visits.filter((day) => day >= quarter.from && day < quarter.to).sort()
    const isOpen = open.has(quarter.id)
    const last = bands.at(-1)
    if (last && isEmpty(last) && !isOpen && inIt.length === 0) {
      bands[bands.length - 1] = { ...last, to: quarter.to }
      continue
    }
    const clipped = isOpen ? clip(quarter, from, to) : quarter
    const top = last?.bottom ?? 0
    const height = isOpen ? daysBetween(clipped.from, clipped.to) * dayHeight : foldedHeight
    bands.push({ ...clipped, isOpen, visits: inIt, top, bottom: top + height })
  }
  return bands
}
const isEmpty = ({ isOpen, visits }: Band): boolean => !isOpen && visits.length === 0

/** The first and the last quarter are drawn only as far as something is in them. */
const clip = (quarter: Quarter, from: string, to: string): Quarter => ({
  ...quarter,
  from: from > quarter.from ? from : quarter.from,
  to: to < quarter.to ? dateAfter(to, 1) : quarter.to,
})

function monthsOf({ from, to }: Band): string[] {
  const months: string[] = []
  const [year, month] = [Number(from.slice(0, 4)), Number(from.slice(5, 7)) - 1]
  for (let at = from.endsWith('-01') ? 0 : 1; isoDay(year, month + at) < to; at++)
    months.push(isoDay(year, month + at))
  return months
}

const OPEN_VISITS = 6
const OPEN_QUARTERS = 4
/** Quarters that stand open until somebody says otherwise: that of `to`, and those of the newest visits, four at the most. */
export function openAtFirst(visits: readonly string[], to: string): Set<string> {
  const newest = [...visits].sort().slice(-OPEN_VISITS)
  const ids = [...new Set([...newest, to].map((day) => quarterOf(day).id))].sort()
  return new Set(ids.slice(-OPEN_QUARTERS))
}

/** Height of a day so that visits in open quarters stand a touch apart, within what still reads as a calendar. */
export function dayHeightFor(
  visits: readonly string[],
  { touch, least, most }: { readonly touch: number; readonly least: number; readonly most: number },
): number {
  const sorted = [...visits].sort()
  const gaps = sorted.slice(1).map((day, at) => daysBetween(sorted[at]!, day))
  const closest = Math.min(...gaps.filter((gap) => gap > 0))
  return Math.min(most, Math.max(least, touch / closest))
}

/**
 * Moves places (ascending) as little as it takes to stand `gap` apart: the least sum of squared ways. Pool adjacent violators on the places
 * less their own share of gaps (Ayer et al., Ann Math Stat 1955;26:641–647).
 */
export function apart(places: readonly number[], gap: number): number[] {
  const pools: { sum: number; count: number }[] = []
  for (const [at, place] of places.entries()) {
    pools.push({ sum: place - at * gap, count: 1 })
    while (pools.length > 1 && meanOf(pools.at(-2)!) > meanOf(pools.at(-1)!)) {
      const { sum, count } = pools.pop()!
      const before = pools.at(-1)!
      before.sum += sum
      before.count += count
    }
  }
  return pools
    .flatMap((pool) => Array.from({ length: pool.count }, () => meanOf(pool)))
    .map((mean, at) => mean + at * gap)
}
const meanOf = ({ sum, count }: { readonly sum: number; readonly count: number }): number =>
  sum / count
