import type { Course } from '../protocol/model'
import type { LeverId, Property } from '../protocol/words'
import { dateAfter, dateInWords, daysBetween } from '../client/facts'
import type { LeverUse, PastVisit } from './model'

/** Days between visits (rule E01; house figures, editable upward): for visits of which the exfoliation points are not known. */
const LEVER_DAYS: Readonly<Partial<Record<LeverId, readonly [number, number, number]>>> = {
  enzyme: [7, 7, 7],
  suction: [7, 7, 7],
  acid: [7, 14, 28],
  rf: [7, 7, 7],
  light: [0, 0, 0],
}
/** Levers that exfoliate: their days follow from the points of the whole visit. */
const EXFOLIATING: ReadonlySet<LeverId> = new Set(['acid', 'enzyme', 'exfoliation', 'suction'])
/** The same for what is no lever. */
const WORK_DAYS: readonly (readonly [Property, number])[] = [
  ['scrub', 7],
  ['gommage', 7],
  ['rf', 7],
  ['mechanical', 28],
  ['blade', 28],
  ['needling', 28],
]

/** Days before a zone is exfoliated again, by the points that a visit put on it (rule E01): up to one 7, up to two 14, more 28. */
export function daysOfPoints(points: number): number {
  if (points <= 0) return 0
  if (points <= 1) return 7
  return points <= 2 ? 14 : 28
}
/** A regular visit: about one turnover of the epidermis in the young (Grove & Kligman, J Gerontol 1983;38:137–142, value from memory). */
const TURNOVER_DAYS = 28
/** Transit through the outer layer is about 20 days in young adults and more than 30 in the old (same source): a quarter longer from sixty on, an eighth from forty. */
function slower(age: number | undefined): number {
  if (age === undefined || age < 40) return 1
  return age < 60 ? 1.125 : 1.25
}

/** A maker's shorter days are taken up to this rung, and down to these days (rules.md, law 15). */
const MAKER_SHORTENS_TO_RUNG = 2
const MAKER_SHORTENS_TO_DAYS = 7

/**
 * Least days before a lever is used again as it was; 0 where nothing is said. `points`: of the visit it was used in, where known. What a maker
 * prints makes them more, or, on low rungs, fewer.
 */
export function minDays(
  { lever, rung, makerDays }: LeverUse,
  age?: number,
  points?: number,
): number {
  const isByPoints = points !== undefined && EXFOLIATING.has(lever)
  const house = isByPoints
    ? daysOfPoints(points)
    : (LEVER_DAYS[lever]?.[Math.min(rung, 3) - 1] ?? 0)
  const printed = makerDays ?? house
  if (printed >= house) return Math.max(Math.ceil(house * slower(age)), printed)
  const days =
    rung <= MAKER_SHORTENS_TO_RUNG
      ? Math.min(house, Math.max(MAKER_SHORTENS_TO_DAYS, printed))
      : house
  return Math.ceil(days * slower(age))
}

/** What a visit did, as far as the days after it depend on it. */
export interface Done {
  readonly levers: readonly LeverUse[]
  readonly work: readonly Property[]
  /** Exfoliation points on the zone that got most (rule C15); left out: not known. */
  readonly points?: number | undefined
}

/** Days before anything exfoliates again: the strictest of its levers, or by points alone where none was used. */
function exfoliationDays({ levers, points }: Done, age: number | undefined): number {
  if (points === undefined) return 0
  const pulled = levers.filter(({ lever }) => EXFOLIATING.has(lever))
  return pulled.length > 0
    ? Math.max(...pulled.map((use) => minDays(use, age, points)))
    : Math.ceil(daysOfPoints(points) * slower(age))
}

/** One thing that must wait. */
export interface Waiting {
  readonly property: Property
  readonly on: string
  readonly days: number
  readonly left: number
  readonly why: string
}

/** Properties that must wait today because of what was done before, each with the days it still needs. */
export function waitingWork(history: readonly PastVisit[], today: string, age?: number): Waiting[] {
  const earlier = history.filter((visit) => visit.on < today)
  const waits = earlier.flatMap((visit) => {
    const ofWork = WORK_DAYS.filter(([property]) => visit.work?.includes(property)).map(
      ([property, plain]) => [property, Math.ceil(plain * slower(age))] as const,
    )
    const done = { levers: visit.levers, work: visit.work ?? [], points: visit.points }
    return [...ofWork, ['exfoliating', exfoliationDays(done, age)] as const].flatMap(
      ([property, days]) => waitingFor({ property, days, on: visit.on }, today),
    )
  })
  // Of one thing that waits for two visits, the longer wait is said.
  const longest = new Map<Property, Waiting>()
  for (const one of waits)
    if (one.left > (longest.get(one.property)?.left ?? 0)) longest.set(one.property, one)
  return [...longest.values()]
}

function waitingFor(
  { property, days, on }: Pick<Waiting, 'property' | 'days' | 'on'>,
  today: string,
): Waiting[] {
  const left = days - daysBetween(on, today)
  if (left <= 0) return []
  const name = property === 'exfoliating' ? 'Exfoliation' : capitalised(property)
  const why = `${name} was on ${dateInWords(on)}: ${days} days between, ${left} more.`
  return [{ property, on, days, left, why }]
}

const capitalised = (word: string): string => `${word[0]!.toUpperCase()}${word.slice(1)}`

/** Least days before the same is done again (rule E01): the strictest of its levers, of its points, and of what is no lever. */
export function daysBeforeAgain(done: Done, age?: number): number {
  const worked = new Set(done.work)
  return Math.max(
    0,
    exfoliationDays(done, age),
    ...done.levers.map((use) => minDays(use, age, done.points)),
    ...WORK_DAYS.filter(([property]) => worked.has(property)).map(([, days]) =>
      Math.ceil(days * slower(age)),
    ),
  )
}

/** Days until a regular visit, longer with age. */
export const turnoverDays = (age?: number): number => Math.round(TURNOVER_DAYS * slower(age))

/** When the next visit may be and usually is (rule E11): ISO dates; `latest` where a course sets one. */
export interface NextWindow {
  readonly earliest: string
  readonly usual: string
  readonly latest?: string
}

/** The next visit after one, from what it used; within the days apart of its course, as far as the days between allow. */
export function nextWindow(
  on: string,
  done: Done,
  age?: number,
  apart?: Pick<Course, 'leastDays' | 'mostDays'>,
): NextWindow {
  const after = (days: number): string => dateAfter(on, days)
  const needed = daysBeforeAgain(done, age)
  if (!apart) return { earliest: after(needed), usual: after(Math.max(needed, turnoverDays(age))) }
  const least = Math.max(needed, apart.leastDays)
  const most = Math.max(least, apart.mostDays)
  const middle = Math.round((apart.leastDays + apart.mostDays) / 2)
  return { earliest: after(least), usual: after(Math.max(least, middle)), latest: after(most) }
}
