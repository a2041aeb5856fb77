import { expect, test } from 'vitest'
import type { Chances } from '#core/risk'
import { chanceWords } from './chance'

const risk = (over: number, ...drivers: string[]): Chances => ({
  runs: 10_000,
  over,
  p50S: 3600,
  p90S: 4000,
  drivers: drivers.map((stepId) => ({ stepId, share: 0.3 })),
})
const words = (chances: Chances) =>
  chanceWords(
    chances,
    (id) => id.toUpperCase(),
    (seconds) => `${seconds}s`,
  )

test.each([
  [0, 'Hardly ever runs over', false],
  [0.001, 'Runs over less than once in 100', false],
  [0.012, 'Runs over 1 time in 100', false],
  [0.2, 'Runs over 20 times in 100', true],
  [0.999, 'Runs over nearly always', true],
])('a chance of %d', (over, chance, high) =>
  expect(words(risk(over))).toMatchObject({ chance, high }),
)
test('when it ends, and at most two steps that decide it', () => {
  expect(words(risk(0.1, 'a', 'b', 'c')).rest).toBe(
    '· likely done 3600s, nine in ten by 4000s; A and B decide it',
  )
  expect(words(risk(0.1)).rest).not.toContain('decide')
})
