import { expect, test } from 'vitest'
import { minutesOver } from './running'

test.each([
  [0, 0],
  [89_000, 0],
  [90_000, 2],
  [12 * 60_000, 12],
  [-300_000, 0],
])('%i ms past its end: %i minutes over', (ms, minutes) =>
  expect(minutesOver({ finishMs: 1_000_000 + ms }, 1_000_000)).toBe(minutes),
)
