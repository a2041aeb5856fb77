import { expect, test } from 'vitest'
import { mayRetry, placeIn, refusalOf } from './api'

test.each([
  ...[0, 401, 408, 425, 429, 500, 503].map((status) => [status, true] as const),
  ...[400, 403, 404, 409, 410, 413, 422].map((status) => [status, false] as const),
])('%i may succeed later: %s', (status, may) => expect(mayRetry(status)).toBe(may))

test('what is refused of several things sent together', () => {
  const refused = (path?: string) =>
    refusalOf({
      statusCode: 400,
      data: { code: 'half_character', detail: 'No.', ...(path ? { path } : {}) },
    })
  expect(placeIn('events', refused('events.3.body.text'))).toBe(3)
  expect(placeIn('events', refused('events'))).toBeUndefined()
  expect(placeIn('events', refused('body'))).toBeUndefined()
  expect(placeIn('events', refused())).toBeUndefined()
})
