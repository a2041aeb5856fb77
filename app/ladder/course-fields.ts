import type { Course } from '#core/protocol'

/** The rhythm of a card as the builder changes it: whatever is typed, what comes out is a course. */

export const MOST_VISITS = 24
export const LONGEST_APART = 183
const within = (value: number, most: number): number =>
  Math.min(most, Math.max(1, Math.round(value)))

export const withVisits = (course: Course, visits: number): Course => ({
  ...course,
  visits: within(visits, MOST_VISITS),
})

/** One end of the days apart; the other gives way where they would cross. */
export function withApart(
  course: Course,
  apart: { readonly leastDays: number } | { readonly mostDays: number },
): Course {
  if ('leastDays' in apart) {
    const leastDays = within(apart.leastDays, LONGEST_APART)
    return { ...course, leastDays, mostDays: Math.max(leastDays, course.mostDays) }
  }
  const mostDays = within(apart.mostDays, LONGEST_APART)
  return { ...course, mostDays, leastDays: Math.min(mostDays, course.leastDays) }
}

/** The card after the last visit; an empty id: none. */
export function withNext({ next: _, ...course }: Course, id: string): Course {
  return id === '' ? course : { ...course, next: id }
}
