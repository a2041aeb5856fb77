import { describe, expect, test } from 'vitest'
import { clockOffWords, minutesOver } from './running'

test.each([
  [0, 0],
  [89_000, 0],
  [90_000, 2],
  [12 * 60_000, 12],
  [-300_000, 0],
])('%i ms past its end: %i minutes over', (ms, minutes) =>
  expect(minutesOver({ finishMs: 1_000_000 + ms }, 1_000_000)).toBe(minutes),
)

describe('a tablet’s clock beside the server’s', () => {
  test.each([
    [0, ''],
    [1999, ''],
    [-2000, ''],
    [3400, 'This tablet’s clock is 3 s behind.'],
    [-12_000, 'This tablet’s clock is 12 s ahead.'],
    [300_000, 'This tablet’s clock is 5 min behind.'],
  ])('%i ms: %s', (behindMs, words) => expect(clockOffWords(behindMs)).toBe(words))
})
