import { format, parseISO } from 'date-fns'
import type { ClosedDay, Opening } from './model'

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']

/** Weekday of a day (ISO): 1 Monday to 7 Sunday (ISO 8601). */
export const weekdayOf = (date: string): number => Number(format(parseISO(date), 'i'))

/** Two spans of one weekday that meet, in a sentence; undefined where none do. */
export function overlapOf(hours: readonly Opening[]): string | undefined {
  const sorted = [...hours].sort((a, b) => a.weekday - b.weekday || a.opens.localeCompare(b.opens))
  const at = sorted.findIndex((span, index) => {
    const next = sorted[index + 1]
    return next !== undefined && next.weekday === span.weekday && next.opens < span.closes
  })
  if (at < 0) return undefined
  const [first, second] = [sorted[at]!, sorted[at + 1]!]
  return `${WEEKDAYS[first.weekday - 1]}: ${first.opens} to ${first.closes} and ${second.opens} to ${second.closes} overlap.`
}

export interface Hours {
  readonly hours: readonly Opening[]
  readonly closedDays: readonly ClosedDay[]
}

/** The spans in which the salon is open on a day (ISO), in order; undefined where no hours were ever told: then it is taken to be open. */
export function spansOn({ hours, closedDays }: Hours, date: string): Opening[] | undefined {
  if (closedDays.some(({ day }) => day === date)) return []
  if (hours.length === 0) return undefined
  const weekday = weekdayOf(date)
  return hours
    .filter((span) => span.weekday === weekday)
    .sort((a, b) => a.opens.localeCompare(b.opens))
}

const minutesOf = (time: string): number => {
  const [hour = 0, minute = 0] = time.split(':').map(Number)
  return 60 * hour + minute
}

/**
 * Why a visit of so many minutes cannot begin at a time of day (09:30) on a day (ISO), in a sentence; undefined where the salon is open for all
 * of it.
 */
export function closedFor(
  salon: Hours,
  date: string,
  time: string,
  minutes: number,
): string | undefined {
  const closed = salon.closedDays.find(({ day }) => day === date)
  if (closed) return `The salon is closed that day${closed.reason ? `: ${closed.reason}` : ''}.`
  const spans = spansOn(salon, date)
  if (spans === undefined) return undefined
  const weekday = WEEKDAYS[weekdayOf(date) - 1]!
  if (spans.length === 0) return `The salon is closed on ${weekday}s.`
  const [from, to] = [minutesOf(time), minutesOf(time) + minutes]
  const isInside = spans.some(
    ({ opens, closes }) => minutesOf(opens) <= from && to <= minutesOf(closes),
  )
  if (isInside) return undefined
  const open = spans.map(({ opens, closes }) => `${opens} to ${closes}`).join(' and ')
  return `On ${weekday}s the salon is open from ${open}: ${minutes} minutes from ${time} are not within that.`
}
