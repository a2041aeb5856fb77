import { uniformInt } from 'pure-rand/distribution/uniformInt'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import type { ZoneId } from '../skin'
import { gradesOf, placesInWords, type SignId } from './signs'
import type { ReadVisit } from './model'

/** A value by place in a row of visits: `[visit, value]`, visits counted from 0. */
export type Point = readonly [x: number, y: number]

/** Fewer cannot tell a direction. */
const VISITS_TO_TELL = 4
const RESAMPLES = 2000
const SEED = 20_260_914
/** Share of resampled slopes that the interval holds. */
const HELD = 0.95
/** Readings looked back on, the newest: what was years ago says little of now, and the interval's work grows with the square. */
const LOOKED_BACK = 24
/** One grade in more visits than these is told as slow. */
const SLOW_VISITS = 12

/**
 * Theil–Sen slope: the median of the slopes through all pairs of points with different x. Undefined where there is no such pair.
 * Theil, Proc. Kon. Ned. Akad. v. Wetensch. 1950;53:386–392; Sen, J Am Stat Assoc 1968;63:1379–1389.
 */
export function theilSen(points: readonly Point[]): number | undefined {
  const slopes = points
    .flatMap(([x, y], at) =>
      points.slice(at + 1).map(([otherX, otherY]) => (otherY - y) / (otherX - x)),
    )
    .filter(Number.isFinite)
  return slopes.length === 0 ? undefined : quantile(Float64Array.from(slopes), 0.5)
}

/**
 * Interval that holds 95 % of the slopes of resampled points (percentile bootstrap over pairs, Efron 1979); seeded, the same points
 * give the same interval. Resamples from one visit alone have no slope and are drawn again.
 */
export function slopeInterval(
  points: readonly Point[],
  resamples = RESAMPLES,
): { readonly low: number; readonly high: number } {
  const rng = xoroshiro128plus(SEED)
  const slopeOf = drawnSlopes(points)
  const slopes: number[] = []
  while (slopes.length < resamples) {
    const slope = slopeOf(points.map(() => uniformInt(rng, 0, points.length - 1)))
    if (slope !== undefined) slopes.push(slope)
  }
  const out = (1 - HELD) / 2
  const all = Float64Array.from(slopes)
  return { low: quantile(all, out), high: quantile(all, 1 - out) }
}

/** The slope of points drawn by their places; slopes of pairs are divided once. */
function drawnSlopes(points: readonly Point[]) {
  const between = points.map(([x, y]) => points.map(([ox, oy]) => (oy - y) / (ox - x)))
  const found = new Float64Array((points.length * (points.length - 1)) / 2)
  return (drawn: readonly number[]): number | undefined => {
    let count = 0
    for (const [at, place] of drawn.entries()) {
      const row = between[place]!
      for (let other = at + 1; other < drawn.length; other++) {
        const slope = row[drawn[other]!]!
        if (Number.isFinite(slope)) found[count++] = slope
      }
    }
    return count === 0 ? undefined : quantile(found.subarray(0, count), 0.5)
  }
}

/** Linear between order statistics (Hyndman & Fan, Am Stat 1996;50:361–365, type 7). */
function quantile(values: Float64Array, share: number): number {
  const sorted = values.sort()
  const at = (sorted.length - 1) * share
  const below = sorted[Math.floor(at)]!
  return below + (sorted[Math.ceil(at)]! - below) * (at - Math.floor(at))
}

/** How a sign moved over the readings that can be compared. */
export interface Trend {
  readonly sign: SignId
  /** `few`: under four readings in one light; `unclear`: cannot be told apart from chance; `same`: every reading alike. */
  readonly moves: 'few' | 'unclear' | 'same' | 'falls' | 'rises'
  /** Readings that were compared: those in the light of the newest. */
  readonly visits: number
  /** Where it was seen in any of them. */
  readonly zones: readonly ZoneId[]
  /** Grades per visit, with the interval; left out where there are too few. */
  readonly slope?: { readonly perVisit: number; readonly low: number; readonly high: number }
}

/**
 * The trend of a sign, readings oldest first. Its value at a visit is the mean grade over every zone in which it was ever seen, so that it
 * falls with the grade and with the place it takes. Readings made in another light than the newest, and older ones than the newest 24, are
 * left out.
 */
export function trendOf(sign: SignId, readings: readonly ReadVisit[]): Trend {
  const light = lightOf(readings.at(-1))
  const grades = readings
    .filter((reading) => lightOf(reading) === light)
    .slice(-LOOKED_BACK)
    .map(({ findings }) => gradesOf(sign, findings))
  const zones = [...new Set(grades.flatMap((byZone) => [...byZone.keys()]))]
  const base = { sign, visits: grades.length, zones }
  if (grades.length < VISITS_TO_TELL) return { ...base, moves: 'few' }
  const points = grades.map((byZone, at): Point => {
    const sum = zones.reduce((total, zone) => total + (byZone.get(zone) ?? 0), 0)
    return [at, sum / Math.max(1, zones.length)]
  })
  if (points.every(([, value]) => value === points[0]![1])) return { ...base, moves: 'same' }
  const slope = { perVisit: theilSen(points)!, ...slopeInterval(points) }
  return { ...base, moves: directionOf(slope), slope }
}

function directionOf({ low, high }: NonNullable<Trend['slope']>): Trend['moves'] {
  if (high < 0) return 'falls'
  return low > 0 ? 'rises' : 'unclear'
}

/** A note on light as it is compared; none is a light of its own. */
export const lightOf = (reading: { readonly light?: string | undefined } | undefined): string =>
  (reading?.light ?? '').trim().toLowerCase()

/** "falls, about one grade in four visits (cheeks)"; what cannot be told is said so. Never a promise. */
export function trendWords({ moves, visits, zones, slope }: Trend): string {
  if (moves === 'few') return `cannot be told from ${countInWords(visits)}`
  if (moves === 'unclear') return 'cannot be told apart from chance yet'
  if (moves === 'same') return `as it was, in ${countInWords(visits)}`
  const forOne = Math.max(1, Math.round(1 / Math.abs(slope!.perVisit)))
  const pace =
    forOne > SLOW_VISITS
      ? `less than a grade in ${SLOW_VISITS} visits`
      : `about one grade in ${countInWords(forOne)}`
  return `${moves}, ${pace} (${placesInWords(zones)})`
}

const NUMBERS = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
]
const countInWords = (visits: number): string =>
  `${NUMBERS[visits] ?? visits} visit${visits === 1 ? '' : 's'}`
