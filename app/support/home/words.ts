import type { HomeLine, HomePlan } from '#core/homecare'
import type { HomeTime } from '#core/catalog'
import { shortDate } from '~/support/time'

const TIMES_A_WEEK = ['', 'once a week', 'two', 'three', 'four', 'five', 'six', 'every evening']

/** "two evenings a week"; "every evening". */
export function paceWords(perWeek: number, of = 'evenings'): string {
  if (perWeek <= 1) return TIMES_A_WEEK[1]!
  return perWeek >= 7 ? TIMES_A_WEEK[7]! : `${TIMES_A_WEEK[perWeek]} ${of} a week`
}

/** When a strong thing is used: "two evenings a week, three from 14 Dec 2026". */
export function rhythmWords({ pace = [], times }: HomeLine): string {
  const of = times.includes('evening') ? 'evenings' : 'mornings'
  return pace
    .map(({ from, perWeek }, at) =>
      at === 0 ? paceWords(perWeek, of) : `${TIMES_A_WEEK[perWeek]} from ${shortDate(from)}`,
    )
    .join(', ')
}

/** The lines of a time of day in the order in which they go on. */
export const linesAt = ({ lines }: HomePlan, time: HomeTime): HomeLine[] =>
  lines.filter(({ times }) => times.includes(time))
