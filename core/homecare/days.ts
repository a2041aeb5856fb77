import { getISODay, parseISO } from 'date-fns'
import { dateAfter, daysBetween } from '../client'
import type { Suggestion } from '../climb'
import { weekOf } from './evenings'
import type { HomeDay, HomeLine, Pace } from './model'

/** Five weeks: about one turnover of the skin, and the next visit. */
export const DAYS_SHOWN = 35
/** Days before a visit without anything strong: what E and A07b count from (house figure); a physician's five (A07). */
export const REST_BEFORE = { own: 3, prescribed: 5 } as const

/** How often something new and strong is used, step by step, each step two weeks (house figures; common practice, no source). */
const STEPS: Partial<Readonly<Record<HomeLine['role'], readonly number[]>>> = {
  acid: [1, 2],
  scrub: [1],
  retinoid: [2, 3],
}
const OTHERS = [2, 3]
const STEP_DAYS = 14
const LEVER_OF: Partial<Readonly<Record<HomeLine['role'], Suggestion['lever']>>> = {
  acid: 'acid',
  retinoid: 'retinoid',
  scrub: 'exfoliation',
}

/** Evenings of a new thing from its first day on. Where the climb took its lever down it stays where it begins. */
export function paceOf(
  { role, from }: Pick<HomeLine, 'role' | 'from'>,
  suggestions: readonly Suggestion[],
): Pace[] {
  const said = suggestions.find(({ lever }) => lever === LEVER_OF[role])
  const steps = STEPS[role] ?? OTHERS
  const climbed = said?.move === 'down' ? steps.slice(0, 1) : steps
  return climbed.map((perWeek, at) => ({
    from: at === 0 ? from : mondayFrom(dateAfter(from, STEP_DAYS * at)),
    perWeek,
  }))
}

/** Another rhythm begins with a week, so that the last evening of one and the first of the next never follow on one another. */
const mondayFrom = (date: string): string => dateAfter(date, (8 - getISODay(parseISO(date))) % 7)

/** Times a week on a day; undefined before it begins. */
export const paceOn = (pace: readonly Pace[], date: string): number | undefined =>
  pace.findLast(({ from }) => from <= date)?.perWeek

export interface Resting {
  readonly on: string
  /** The first day for anything strong. */
  readonly again: string
  readonly next?: { readonly on: string } | undefined
  /** Acid in the morning, the rest in the evening. */
  readonly splits: boolean
}

/** Every day from the one after the visit until the next, or for five weeks: at most one strong thing in its evening, and none while the skin rests. */
export function daysOf(lines: readonly HomeLine[], resting: Resting): HomeDay[] {
  const strong = lines.filter(({ pace }) => pace !== undefined)
  const isMorning = (line: HomeLine) => resting.splits && line.role === 'acid'
  const evenings = strong.filter((line) => !isMorning(line))
  const mornings = strong.filter(isMorning)
  const { on, next } = resting
  const until = next && daysBetween(on, next.on) > 0 ? daysBetween(on, next.on) - 1 : DAYS_SHOWN
  const days = Array.from({ length: Math.min(DAYS_SHOWN, until) }, (_, at) => dateAfter(on, at + 1))
  return days.map((date) => {
    const rests = restsOn(date, resting)
    if (rests) return { date, rests }
    const evening = strongOn(evenings, date)
    const morning = strongOn(mornings, date)
    return { date, ...(evening ? { evening } : {}), ...(morning ? { morning } : {}) }
  })
}

function restsOn(date: string, { again, next }: Resting): HomeDay['rests'] {
  if (date < again) return 'after'
  return next && daysBetween(date, next.on) <= REST_BEFORE.own ? 'before' : undefined
}

/** The strong thing of a day among those that have begun. */
export function strongOn(lines: readonly HomeLine[], date: string): string | undefined {
  const begun = lines.flatMap(({ id, pace = [] }) => {
    const perWeek = paceOn(pace, date)
    return perWeek === undefined ? [] : [{ id, perWeek }]
  })
  return begun.length === 0 ? undefined : weekFor(begun)[getISODay(parseISO(date)) - 1]
}

/** Weeks that were laid already: the same few rhythms come again day after day. */
const weeks = new Map<string, ReturnType<typeof weekOf>>()
const WEEKS_KEPT = 500
function weekFor(wanted: Parameters<typeof weekOf>[0]): ReturnType<typeof weekOf> {
  const key = JSON.stringify(wanted)
  const week = weeks.get(key) ?? weekOf(wanted)
  if (weeks.size > WEEKS_KEPT) weeks.clear()
  weeks.set(key, week)
  return week
}
