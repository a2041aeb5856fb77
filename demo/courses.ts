import type { Course } from '#core/protocol'

/** The rhythm of the cards that are meant as courses, by protocol. Invented for this studio; the days between are the trade's. */
export const COURSES: Readonly<Record<string, Course>> = {
  'leave-on-acid': { visits: 5, leastDays: 7, mostDays: 10 },
  acne: { visits: 6, leastDays: 14, mostDays: 21 },
  signature: { visits: 6, leastDays: 8, mostDays: 12 },
  // The corrective course: three kinds of visit, one after the other.
  acid: { visits: 1, leastDays: 28, mostDays: 35, next: 'course-peel' },
  'course-peel': { visits: 1, leastDays: 28, mostDays: 35, next: 'course-needling' },
}
