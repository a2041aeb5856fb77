import { describe, expect, test } from 'vitest'
import { clockOffWords, feltOf, minutesOver } from './running'

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

test('what was felt last time stands at the same product or device, and at nothing else', () => {
  const felt = [
    { title: 'Mask', thingId: 'kelp', sensation: 'burning', atS: 90, on: '2026-10-26' },
    { title: 'Lift', thingId: 'lift', sensation: 'tingling', atS: 10, on: '2026-10-26' },
    { title: 'Mask', sensation: 'panic', atS: 10, on: '2026-10-26' },
  ] as const
  const of = (productId: string | undefined, deviceId?: string) =>
    feltOf({ product: productId ? { productId, useId: 'use' } : undefined, deviceId }, felt)
  expect(of('kelp')).toEqual(['26 Oct 2026: burning at 1½ min'])
  expect(of(undefined, 'lift')).toEqual(['26 Oct 2026: tingling at 10 s'])
  expect([of('oat'), of(undefined), feltOf(undefined, felt)]).toEqual([[], [], []])
})
