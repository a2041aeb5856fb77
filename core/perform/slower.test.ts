import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { DEMO_PROTOCOLS } from '../../demo/protocols'
import { DEMO_CARDS, visitOn } from '../../tests/demo-visit'
import { runs } from '../../tests/runs'
import { event, performed, runningAt, START } from '../../tests/under-way'
import { audit } from '../adapt/audit'
import { compile, hasLadder, type FittedPlan } from '../adapt'
import { inputUnderway, reduceRun, SLOWER } from '.'
import { slowed } from './slower'

const lengthOf = (plan: FittedPlan, id: string) => {
  const part = plan.segments.find((segment) => segment.id === id)
  return part && part.endS - part.startS
}

describe('slower today', () => {
  test('is one of a few, and none leaves the card as it is', () => {
    const { protocol } = visitOn('brightening').given
    expect(SLOWER[0]).toBe(0)
    expect(slowed(protocol, 0)).toBe(protocol)
  })

  test('what hands do at their own pace takes longer; what lies, is counted, or is led by a device does not', () => {
    for (const protocol of DEMO_PROTOCOLS) {
      const slow = slowed(protocol, 20)
      protocol.steps.forEach((step, at) =>
        step.segments.forEach((segment, part) => {
          const now = slow.steps[at]!.segments[part]!
          const isPaced = [step.movements, step.passes, step.deviceId].some(Boolean)
          const isHands = ['prepare', 'apply', 'remove', 'hygiene'].includes(segment.kind)
          // Putting on an acid or enzyme is minutes of its work.
          const works =
            segment.kind === 'apply' && step.segments.some(({ active }) => active === true)
          const factor = isHands && !isPaced && !works ? 1.2 : 1
          for (const key of ['minS', 'usualS', 'maxS'] as const)
            expect(Math.abs(now[key] - segment[key] * factor)).toBeLessThan(1)
        }),
      )
    }
  })

  test('said in a run: what has begun keeps its times, the rest takes longer, the last word counts, and it can be taken back', () => {
    const { given, plan } = visitOn('brightening')
    const second = 60
    const before = performed(plan, second)
    const fittedWith = (...said: number[]) => {
      const events = [
        ...before,
        ...said.map((percent, n) => event(900 + n, second, { type: 'slower' as const, percent })),
      ]
      const asked = inputUnderway(given, reduceRun(plan, events))
      return compile(asked, runningAt(plan, events, second))
    }
    const usual = fittedWith()
    const slow = fittedWith(30)
    expect(slow.totalS).toBeGreaterThan(usual.totalS + 120)
    expect(lengthOf(slow, 'kelp/dwell')).toBe(lengthOf(usual, 'kelp/dwell'))
    expect(slow.segments[0]).toEqual(usual.segments[0])
    expect(fittedWith(30, 0).totalS).toBe(usual.totalS)
    expect(slow.changes.map(({ what }) => what)).toEqual(usual.changes.map(({ what }) => what))
    expect(fittedWith(10).totalS).toBeLessThan(slow.totalS)
  })

  test('on any card, at any moment, also with an end: what has begun keeps its times, and no limit is broken', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DEMO_CARDS),
        fc.nat(),
        fc.constantFrom(...SLOWER),
        fc.option(fc.integer({ min: -20, max: 20 })),
        (card, when, percent, endMin) => {
          const { given, plan } = visitOn(card)
          if (!hasLadder(plan)) return
          const second = when % plan.totalS
          const said = [
            ...performed(plan, second),
            event(900, second, { type: 'slower' as const, percent }),
            ...(endMin === null
              ? []
              : [
                  event(901, second, {
                    type: 'ends' as const,
                    atMs: START + (plan.totalS + endMin * 60) * 1000,
                  }),
                ]),
          ]
          const running = runningAt(plan, said, second)
          const asked = inputUnderway(given, reduceRun(plan, said))
          const next = compile(asked, running)
          expect(hasLadder(next), next.problems.join(' ')).toBe(true)
          for (const [id, { startS }] of running.underway.begun)
            expect(next.segments.find((part) => part.id === id)?.startS).toBe(startS)
          expect(audit(next, asked, running).faults).toEqual([])
        },
      ),
      { numRuns: runs(25) },
    )
  })
})
