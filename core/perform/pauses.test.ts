import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { runs } from '../../tests/runs'
import { input, planFor } from '../../tests/situations'
import { again, event, performed, runningAt, START } from '../../tests/under-way'
import { audit, placingOf } from '../adapt'
import { place } from '../schedule'
import { liveAt, pausedBetween, reduceRun, type RunEvent } from '.'

const plan = planFor()
const massage = plan.segments.find(({ id }) => id === 'massage/on' || id === 'massage/work')!
const enzyme = plan.segments.find(({ id }) => id === 'enzyme/dwell')!
const pause = (second: number) => event(700, second, { type: 'pause' })
const resume = (second: number) => event(701, second, { type: 'resume' })
const liveOf = (events: readonly RunEvent[], second: number) =>
  liveAt(plan, reduceRun(plan, events), START + second * 1000)
/** Seconds that the hands still have for what they are at. */
function leftS(events: readonly RunEvent[], second: number): number {
  const { hands } = liveOf(events, second)
  const { pauses } = reduceRun(plan, events)
  const now = START + second * 1000
  const worked = now - hands!.fromMs - pausedBetween(pauses, hands!.fromMs, now, now)
  return hands!.segment.endS - hands!.segment.startS - worked / 1000
}
const at = massage.startS + 20

describe('while hands rest', () => {
  test('their clock stands and goes on where it stood; nothing begins by itself', () => {
    const before = performed(plan, at)
    expect(leftS([...before, pause(at)], at + 90)).toBe(leftS(before, at))
    expect(leftS([...before, pause(at), resume(at + 90)], at + 95)).toBe(leftS(before, at + 5))
    const long = liveOf([...before, pause(at)], at + 3600)
    expect(long.hands?.segment.id).toBe(massage.id)
    expect(liveOf(before, at + 3600).hands?.segment.id).not.toBe(massage.id)
  })
  test('what lies on the skin goes on, and comes off at its time', () => {
    const rest = enzyme.startS + 10
    const events = [...performed(plan, rest), pause(rest)]
    const [with_, without] = [events, events.slice(0, -1)].map((said) =>
      liveOf(said, enzyme.endS - 5).layers.find(({ stepId }) => stepId === 'enzyme')!,
    )
    expect(with_!.dueMs).toBe(without!.dueMs)
    // Hands go on first, are told done with what they were at, and take it off.
    const at = enzyme.endS + 2
    const back = [...events, resume(at)]
    const inHand = liveOf(back, at + 1).hands
    const done = inHand
      ? [event(801, at + 1, { type: 'finished', segmentId: inHand.segment.id })]
      : []
    const off = event(802, at + 2, { type: 'started', segmentId: 'enzyme/off' })
    expect(liveOf([...back, ...done, off], at + 3).hands?.segment.id).toBe('enzyme/off')
  })
  test('what hands are told to begin ends it: the clock of a removal never stands', () => {
    const rest = enzyme.endS - 40
    const events = [...performed(plan, rest), pause(rest)]
    const off = event(802, enzyme.endS, { type: 'started', segmentId: 'enzyme/off' })
    const live = liveOf([...events, off], enzyme.endS + 30)
    expect(live.hands?.segment.id).toBe('enzyme/off')
    expect(leftS([...events, off], enzyme.endS + 30)).toBe(
      leftS([...events, off], enzyme.endS) - 30,
    )
  })
  test('a second pause in a pause is none, going on without one neither', () => {
    const events = [...performed(plan, at), pause(at), event(702, at + 5, { type: 'pause' })]
    expect(reduceRun(plan, events).pauses).toHaveLength(1)
    expect(reduceRun(plan, [...performed(plan, at), resume(at)]).pauses).toEqual([])
  })
})

describe('fitted again after a pause', () => {
  test('hands have as long as they had, and the server takes it for what it is', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 30, max: plan.totalS - 60 }),
        fc.integer({ min: 1, max: 900 }),
        fc.integer({ min: 0, max: 60 }),
        fc.boolean(),
        (second, restS, workS, isOver) => {
          const events: RunEvent[] = [...performed(plan, second), pause(second)]
          if (isOver) events.push(resume(second + restS))
          const now = second + restS + (isOver ? workS : 0)
          const before = liveOf(events, now)
          const next = again(input(), plan, events, now)
          if (!before.hands || next.status !== 'ready') return
          const fit = event(900, now, { type: 'replanned', plan: next })
          const after = liveAt(next, reduceRun(plan, [...events, fit]), START + now * 1000)
          expect(after.hands?.segment.id).toBe(before.hands.segment.id)
          expect(Math.abs(after.hands!.toMs - before.hands.toMs)).toBeLessThanOrEqual(1000)
          const running = runningAt(plan, events, now)
          // Rested so long that a mask stays on past its most: then only the server's own fit counts.
          // A second fit knows of the rest by the first one's lengths alone.
          const twice = again(input(), next, [...events, fit], now + 1)
          const last = liveAt(twice, reduceRun(twice, [...events, fit]), START + (now + 1) * 1000)
          if (twice.status === 'ready' && last.hands?.segment.id === before.hands.segment.id)
            expect(Math.abs(last.hands.toMs - before.hands.toMs)).toBeLessThanOrEqual(2000)
          if (place(placingOf(next.steps, running.underway)).kind === 'infeasible') return
          expect(audit(next, input(), running).faults).toEqual([])
        },
      ),
      { numRuns: runs(60), seed: 71 },
    )
  })
})
