import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { runs } from '../../tests/runs'
import { clockErrorMs, isPossible, withPossibleTimes, type Day, type RunEvent } from '.'

const HOUR = 3_600_000
const NOON = Date.UTC(2026, 10, 24, 11)
const DAY: Day = {
  fromMs: Date.UTC(2026, 10, 24),
  toMs: Date.UTC(2026, 10, 25),
  nowMs: NOON + 2 * HOUR,
}
let made = 0
const said = (deviceId: string, seq: number, wallMs: number, elapsedMs: number): RunEvent => ({
  id: `00000000-0000-4000-8000-${String(++made).padStart(12, '0')}`,
  ...{ deviceId, seq, wallMs, elapsedMs },
  body: { type: 'start' },
})
const times = (events: readonly RunEvent[]) => events.map((event) => event.wallMs)

describe('a clock that cannot be right', () => {
  test('twelve hours around the visit’s day, or around now, are believed', () => {
    expect([
      isPossible(DAY.fromMs - 12 * HOUR, DAY),
      isPossible(DAY.fromMs - 12 * HOUR - 1, DAY),
      isPossible(DAY.toMs + 12 * HOUR, DAY),
      isPossible(DAY.toMs + 12 * HOUR + 1, DAY),
    ]).toEqual([true, false, true, false])
    // Performed five days after it was booked for.
    const late = { ...DAY, nowMs: NOON + 120 * HOUR }
    expect(isPossible(late.nowMs - HOUR, late)).toBe(true)
  })

  test('a tablet that woke up in 1970: the newest has just come, the others lie as far before it as its page ran', () => {
    const events = [
      said('a', 0, 5_000, 1_000),
      said('a', 1, 65_000, 61_000),
      said('a', 2, 66_000, 62_000),
    ]
    const kept = withPossibleTimes(events, [], DAY)
    expect(times(kept)).toEqual([DAY.nowMs - 61_000, DAY.nowMs - 1_000, DAY.nowMs])
    expect(kept.map((event) => event.clockSaidMs)).toEqual(times(events))
  })

  test('between what is known: forwards from it by the time the page ran, not at all over a reload', () => {
    const known = [said('a', 0, NOON, 10_000)]
    const events = [said('a', 1, 0, 40_000), said('a', 2, 0, 500), said('b', 0, NOON, 0)]
    expect(times(withPossibleTimes(events, known, DAY))).toEqual([
      NOON + 30_000,
      NOON + 30_000,
      NOON,
    ])
  })

  test('where its clock is told with them, they are set right by as much as it is wrong: also what waited long', () => {
    const events = [said('a', 0, 5_000, 1_000), said('a', 1, 65_000, 61_000)]
    // They were sent ten minutes after the second was said.
    const kept = withPossibleTimes(events, [], { ...DAY, clockMs: 665_000 })
    expect(times(kept)).toEqual([DAY.nowMs - 660_000, DAY.nowMs - 600_000])
    // A clock that was set between saying and sending helps nothing.
    const set = withPossibleTimes(events, [], { ...DAY, clockMs: DAY.nowMs })
    expect(times(set)).toEqual([DAY.nowMs - 60_000, DAY.nowMs])
  })

  test('a tablet knows from that how wrong its clock is, until it is set', () => {
    const [event] = withPossibleTimes([said('a', 0, 5_000, 0)], [], DAY)
    expect(clockErrorMs([event!], 'a', 6_000)).toBe(DAY.nowMs - 5_000)
    expect(clockErrorMs([event!], 'a', DAY.nowMs + 1_000)).toBe(0)
    expect(clockErrorMs([event!], 'b', 6_000)).toBe(0)
  })

  const clock = fc.oneof(
    fc.integer({ min: NOON - 3 * HOUR, max: NOON + 3 * HOUR }),
    fc.maxSafeInteger(),
    fc.constantFrom(0, -1, Number.MAX_SAFE_INTEGER, Number.MIN_SAFE_INTEGER),
  )
  const log = fc.array(
    fc.record({
      deviceId: fc.constantFrom('a', 'b'),
      wallMs: clock,
      elapsedMs: fc.double({ min: 0, max: 1e12, noNaN: true }),
    }),
    { maxLength: 12 },
  )
  test('whatever the clocks say: nothing is lost, what was right is left, and what was not keeps its device’s order', () => {
    fc.assert(
      fc.property(log, fc.nat({ max: 12 }), (drawn, split) => {
        const all = drawn.map(({ deviceId, wallMs, elapsedMs }, seq) =>
          said(deviceId, seq, wallMs, elapsedMs),
        )
        const first = withPossibleTimes(all.slice(0, split), [], DAY)
        const second = withPossibleTimes(all.slice(split), first, DAY)
        const kept = [...first, ...second]
        expect(kept.map(({ id }) => id)).toEqual(all.map(({ id }) => id))
        kept.forEach((event, at) => {
          const was = all[at]!
          if (isPossible(was.wallMs, DAY)) expect(event).toEqual(was)
          else expect(event.clockSaidMs).toBe(was.wallMs)
          // No run is so long that twelve hours for each of twelve events would be left.
          expect(Math.abs(event.wallMs - DAY.nowMs)).toBeLessThan(200 * HOUR)
          expect(Number.isInteger(event.wallMs)).toBe(true)
        })
        // Within one batch and device: never before what it said earlier and what was not sure either.
        for (const deviceId of ['a', 'b']) {
          const own = second.filter((event) => event.deviceId === deviceId)
          own.slice(1).forEach((event, at) => {
            const before = own[at]!
            if (event.clockSaidMs !== undefined && before.clockSaidMs !== undefined)
              expect(event.wallMs).toBeGreaterThanOrEqual(before.wallMs)
          })
        }
      }),
      { numRuns: runs(400), seed: 1970 },
    )
  })
})
