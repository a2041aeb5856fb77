import type { Property } from '../protocol/words'
import type { PastVisit } from './model'

/** What is told of the redness after a visit: hours, by what was done (house figures; common practice, no source). The client reads them in the leaflet. */
const HOURS: readonly (readonly [Property, number])[] = [
  ['needling', 72],
  ['mechanical', 48],
  ['blade', 36],
]
/** After a peel: acid from this rung on, with more than one point. */
const PEEL_RUNG = 3
const PEEL_HOURS = 48
/** After anything else nobody is red on the day after the next. */
export const USUAL_HOURS = 24

/** Hours of redness that a visit announces: only what lasts longer is a strong answer (rule E05). */
export function announcedHours({
  levers,
  work = [],
  points,
}: Pick<PastVisit, 'levers' | 'work' | 'points'>): number {
  const isPeel = levers.some(
    ({ lever, rung }) => lever === 'acid' && rung >= PEEL_RUNG && (points ?? 0) > 1,
  )
  const ofWork = HOURS.filter(([property]) => work.includes(property)).map(([, hours]) => hours)
  const told = levers.map(({ redHours = 0 }) => redHours)
  return Math.max(USUAL_HOURS, isPeel ? PEEL_HOURS : 0, ...ofWork, ...told)
}
