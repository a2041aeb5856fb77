import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { cardOf } from '../../tests/fixtures'
import { runs } from '../../tests/runs'
import { input } from '../../tests/situations'
import { event, START } from '../../tests/under-way'
import { compile, type PlacedSegment } from '../adapt'
import { liveAt, loopNow, reduceRun, underwayOf, type RunEvent } from '.'

const visit = input({ protocol: cardOf('grain'), slotMinutes: 240 })
const plan = compile(visit)
const loops = plan.segments.filter(({ loop }) => loop !== undefined)
const loop = loops[0]!
const lengthS = loop.endS - loop.startS
const begunAt = (more: readonly RunEvent[] = []) => [
  event(1, 0, { type: 'start' }),
  event(2, loop.startS, { type: 'started', segmentId: loop.id }),
  ...more,
]
const pass = (n: number, second: number) =>
  event(n, second, { type: 'pass' as const, segmentId: loop.id })
const at = (events: readonly RunEvent[], second: number) => {
  const state = reduceRun(plan, events)
  const live = liveAt(state.plan, state, START + second * 1000)
  return { state, live, here: live.segments.find(({ segment }) => segment.id === loop.id)! }
}
const endsS = (here: { toMs: number }) => Math.round((here.toMs - START) / 1000)

describe('what is repeated until its sign shows', () => {
  test('is asked on cards that have it, with how often it may be', () => {
    expect(loops.length).toBeGreaterThan(0)
    for (const one of loops) {
      expect(one.loop!.most).toBeGreaterThan(1)
      expect(one.loop!.passS).toBeGreaterThan(0)
    }
  })
  test('a loop of three: each pass more takes its own time, and what follows moves with it', () => {
    expect(loop.loop!.most).toBe(3)
    const none = at(begunAt(), loop.startS + 5)
    const two = at(
      begunAt([pass(3, loop.startS + 10), pass(4, loop.startS + 20)]),
      loop.startS + 25,
    )
    expect(endsS(two.here) - endsS(none.here)).toBe(2 * loop.loop!.passS)
    expect(Math.round((two.live.finishMs - none.live.finishMs) / 1000)).toBe(2 * loop.loop!.passS)
    expect(loopNow(two.state.passes, loop)).toEqual({ pass: 3, most: 3 })
  })
  test('beyond its most nothing is added, and the pass in hand stays the last', () => {
    const said = [3, 4, 5, 6].map((n) => pass(n, loop.startS + n))
    const { here, state } = at(begunAt(said), loop.startS + 10)
    expect(endsS(here)).toBe(loop.startS + lengthS + 2 * loop.loop!.passS)
    expect(loopNow(state.passes, loop)).toEqual({ pass: 3, most: 3 })
  })
  test('taken back it is as if it had not been said', () => {
    const said = pass(3, loop.startS + 10)
    const back = event(4, loop.startS + 12, { type: 'retract' as const, eventId: said.id })
    expect(endsS(at(begunAt([said, back]), loop.startS + 15).here)).toBe(loop.startS + lengthS)
  })
  test('a fit in the middle of the second pass keeps its time, and a third still adds one', () => {
    const second = loop.startS + 15
    const events = begunAt([pass(3, loop.startS + 10)])
    const { state, live } = at(events, second)
    const underway = underwayOf(state, live, START + second * 1000)
    const next = compile(visit, { plan, underway })
    const placed = next.segments.find(({ id }) => id === loop.id)!
    expect(placed.endS).toBe(loop.startS + lengthS + loop.loop!.passS)
    const fitted = event(5, second, {
      type: 'replanned' as const,
      plan: next,
      fromMs: START + second * 1000,
    })
    expect(endsS(at([...events, fitted], second + 1).here)).toBe(placed.endS)
    const third = at([...events, fitted, pass(6, second + 5)], second + 6)
    expect(endsS(third.here)).toBe(placed.endS + loop.loop!.passS)
    expect(loopNow(third.state.passes, placed)).toEqual({ pass: 3, most: 3 })
  })
  test('however many are said, before and after fits: never more than its most', () => {
    const steps = fc.array(fc.constantFrom('pass' as const, 'fit' as const), { maxLength: 8 })
    fc.assert(
      fc.property(steps, (said) => {
        let events: RunEvent[] = begunAt()
        let ladder: { segments: readonly PlacedSegment[] } = plan
        said.forEach((what, index) => {
          const second = loop.startS + 1 + index
          if (what === 'pass') events = [...events, pass(10 + index, second)]
          else {
            const { state, live } = at(events, second)
            const next = compile(visit, {
              plan: state.plan,
              underway: underwayOf(state, live, START + second * 1000),
            })
            ladder = next
            events = [
              ...events,
              event(10 + index, second, {
                type: 'replanned' as const,
                plan: next,
                fromMs: START + second * 1000,
              }),
            ]
          }
        })
        const passes = said.filter((what) => what === 'pass').length
        const { here } = at(events, loop.startS + 12)
        expect(ladder.segments.length).toBeGreaterThan(0)
        expect(endsS(here)).toBe(loop.startS + lengthS + Math.min(2, passes) * loop.loop!.passS)
      }),
      { numRuns: runs(30), seed: 15 },
    )
  })
})
