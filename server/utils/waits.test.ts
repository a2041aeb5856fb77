import { expect, test } from 'vitest'
import { secondsToWait, type Failures } from './waits'

const NONE: Failures = { count: 0, secondsAgo: 0 }
const failed = (count: number, secondsAgo = 0): Failures => ({ count, secondsAgo })
const wait = (more: object) => secondsToWait({ both: NONE, account: NONE, address: NONE, ...more })

test.each([
  [7, 0, 0],
  [8, 0, 30],
  [8, 29.5, 1],
  [8, 30, 0],
  [9, 0, 60],
  [12, 0, 480],
  [13, 0, 900],
  [400, 0, 900],
])('after %i failures of one account from one address, %d s ago: %i s', (count, ago, seconds) =>
  expect(wait({ both: failed(count, ago) })).toBe(seconds),
)
test('an account guessed at from everywhere waits a minute at the most', () => {
  expect(wait({ account: failed(19) })).toBe(0)
  expect(wait({ account: failed(20) })).toBe(2)
  expect(wait({ account: failed(1000) })).toBe(60)
})
test('a salon behind one address waits ten seconds at the most', () => {
  expect(wait({ address: failed(39) })).toBe(0)
  expect(wait({ address: failed(5000) })).toBe(10)
})
test('the longest counts', () =>
  expect(wait({ both: failed(8), account: failed(30), address: failed(50) })).toBe(60))
