import fc from 'fast-check'
import { expect, test } from 'vitest'
import { CHANGE_OVER_S } from '../protocol'
import { alternates, boundSpans } from '.'

const part = fc
  .record({
    startS: fc.nat(5000),
    forS: fc.integer({ min: 1, max: 900 }),
    hands: fc.boolean(),
    presence: fc.constantFrom('away' as const, 'room' as const, 'client' as const),
  })
  .map(({ startS, forS, hands, presence }) => ({ startS, endS: startS + forS, hands, presence }))
const USEFUL_S = 5 * 60

/** Second by second: shares nothing with the engine but the words. */
function secondBySecond(
  parts: readonly { startS: number; endS: number; hands: boolean; presence: string }[],
) {
  const binds = parts.filter(({ hands, presence }) => hands || presence !== 'away')
  const end = Math.max(0, ...binds.map(({ endS }) => endS + CHANGE_OVER_S))
  const isBound = Array.from({ length: end }, () => false)
  for (const { startS, endS } of binds) isBound.fill(true, startS, endS + CHANGE_OVER_S)
  const first = isBound.indexOf(true)
  let freeS = 0
  for (let second = Math.max(0, first); second < end; second++) {
    if (!isBound[second]) freeS++
    else {
      if (freeS > 0 && freeS < USEFUL_S) isBound.fill(true, second - freeS, second)
      freeS = 0
    }
  }
  return isBound
}

test('a visit binds whoever performs it as a reading second by second has it, change-over included, short gaps filled', () => {
  fc.assert(
    fc.property(fc.array(part, { maxLength: 12 }), (parts) => {
      const isBound = secondBySecond(parts)
      const spans = boundSpans(parts)
      const ours = Array.from({ length: isBound.length }, () => false)
      for (const { fromS, toS } of spans) ours.fill(true, fromS, toS)
      expect(ours).toEqual(isBound)
      for (const [at, { fromS }] of spans.slice(1).entries())
        expect(fromS - spans[at]!.toS).toBeGreaterThanOrEqual(USEFUL_S)
    }),
    { numRuns: 1000 },
  )
})

test('a mask that nobody stays with leaves the hands to another client; one that is stayed with does not', () => {
  const on = { startS: 0, endS: 120, hands: true, presence: 'away' as const }
  const off = { startS: 1020, endS: 1140, hands: true, presence: 'away' as const }
  const mask = (presence: 'away' | 'room') => ({ startS: 120, endS: 1020, hands: false, presence })
  expect(boundSpans([on, mask('away'), off])).toEqual([
    { fromS: 0, toS: 120 + CHANGE_OVER_S },
    { fromS: 1020, toS: 1140 + CHANGE_OVER_S },
  ])
  expect(boundSpans([on, mask('room'), off])).toEqual([{ fromS: 0, toS: 1140 + CHANGE_OVER_S }])
})

test('two visits take turns where work goes there and back; waiting until the other is over is none', () => {
  const span = (fromMs: number, toMs: number) => ({ fromMs, toMs })
  const two = [span(0, 10), span(30, 40)]
  expect(alternates([span(12, 28)], two)).toBe(true)
  expect(alternates(two, [span(12, 28)])).toBe(true)
  expect(alternates([span(42, 60)], two)).toBe(false)
  expect(alternates([span(-20, -5), span(42, 60)], two)).toBe(true)
  expect(alternates([span(42, 60)], [])).toBe(false)
})
