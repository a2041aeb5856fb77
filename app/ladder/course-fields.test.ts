import { describe, expect, test } from 'vitest'
import { Course } from '#core/protocol/model'
import { withApart, withNext, withVisits } from './course-fields'

const course = { visits: 4, leastDays: 7, mostDays: 10 }

describe('the rhythm of a card', () => {
  test.each([
    ['the least above the most takes the most along', withApart(course, { leastDays: 28 }), 28, 28],
    ['the most below the least takes the least along', withApart(course, { mostDays: 5 }), 5, 5],
    ['inside, the other end stays', withApart(course, { leastDays: 8 }), 8, 10],
    ['an empty field is one day', withApart(course, { leastDays: 0 }), 1, 10],
    ['half a year at the most', withApart(course, { mostDays: 900 }), 7, 183],
  ])('%s', (_, made, leastDays, mostDays) => {
    expect(made).toEqual({ visits: 4, leastDays, mostDays })
    expect(Course.safeParse(made).success).toBe(true)
  })
  test('visits stay countable; what follows may be taken out again', () => {
    expect([0, 2.4, 99].map((visits) => withVisits(course, visits).visits)).toEqual([1, 2, 24])
    expect(withNext(withNext(course, 'acid'), '')).toEqual(course)
    expect(withNext(course, 'acid')).toEqual({ ...course, next: 'acid' })
  })
})
