import { addDays, format, parseISO } from 'date-fns'
import type { Course } from '../protocol/model'
import type { LeverId, Property } from '../protocol/words'
import { dateInWords, daysBetween } from '../client/facts'
import type { LeverUse, PastVisit } from './model'

/** Days between visits (rule E01; house figures, editable upward). */
const LEVER_DAYS: Readonly<Partial<Record<LeverId, readonly [number, number, number]>>> = {
  enzyme: [7, 7, 7],
  suction: [7, 7, 7],
  acid: [7, 14, 28],
  rf: [7, 7, 7],
  light: [0, 0, 0],
}
/** The same for what is no lever. */
const WORK_DAYS: readonly (readonly [Property, number])[] = [
  ['gommage', 7],
  ['rf', 7],
  ['mechanical', 28],
  ['blade', 28],
  ['needling', 28],
]
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

/** Least days before a lever is used again as it was; 0 where nothing is said. What a maker prints makes them more, or, on low rungs, fewer. */
export function minDays({ lever, rung, makerDays }: LeverUse, age?: number): number {
  const house = LEVER_DAYS[lever]?.[Math.min(rung, 3) - 1] ?? 0
  const printed = makerDays ?? house
  if (printed >= house) return Math.max(Math.ceil(house * slower(age)), printed)
  const days =
    rung <= MAKER_SHORTENS_TO_RUNG
      ? Math.min(house, Math.max(MAKER_SHORTENS_TO_DAYS, printed))
      : house
  return Math.ceil(days * slower(age))
}

/** Properties that must wait today because of what was done before, each with the days it still needs. */
export function waitingWork(
  history: readonly PastVisit[],
  today: string,
  age?: number,
): { property: Property; on: string; days: number; left: number; why: string }[] {
  return WORK_DAYS.flatMap(([property, plain]) => {
    const last = history
      .filter((visit) => visit.on < today && (visit.work?.includes(property) ?? false))
      .map((visit) => visit.on)
      .sort()
      .at(-1)
    const days = Math.ceil(plain * slower(age))
    const left = last === undefined ? 0 : days - daysBetween(last, today)
    return last !== undefined && left > 0
      ? [
          {
            property,
            on: last,
            days,
            left,
            why: `${property[0]!.toUpperCase()}${property.slice(1)} was on ${dateInWords(last)}: ${days} days between, ${left} more.`,
          },
        ]
      : []
  })
}

/** Least days before the same is done again (rule E01): the strictest of its levers and of what is no lever. */
export const daysBeforeAgain = (
  levers: readonly LeverUse[],
  work: Iterable<Property>,
  age?: number,
): number => {
  const done = new Set(work)
  return Math.max(
    0,
    ...levers.map((use) => minDays(use, age)),
    ...WORK_DAYS.filter(([property]) => done.has(property)).map(([, days]) =>
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
  done: { readonly levers: readonly LeverUse[]; readonly work: readonly Property[] },
  age?: number,
  apart?: Pick<Course, 'leastDays' | 'mostDays'>,
): NextWindow {
  const after = (days: number): string => format(addDays(parseISO(on), days), 'yyyy-MM-dd')
  const needed = daysBeforeAgain(done.levers, done.work, age)
  if (!apart) return { earliest: after(needed), usual: after(Math.max(needed, turnoverDays(age))) }
  const least = Math.max(needed, apart.leastDays)
  const most = Math.max(least, apart.mostDays)
  const middle = Math.round((apart.leastDays + apart.mostDays) / 2)
  return { earliest: after(least), usual: after(Math.max(least, middle)), latest: after(most) }
}
