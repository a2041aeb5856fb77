import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { DEMO_CARDS, visitOn } from '../../tests/demo-visit'
import { runs } from '../../tests/runs'
import { compile, hasLadder, type FittedPlan } from '.'

const binds = (plan: FittedPlan) =>
  plan.segments.filter(({ hands, presence }) => hands || presence !== 'away')

describe('a visit in turn with another client', () => {
  const away = fc.array(
    fc.record({
      fromS: fc.integer({ min: -600, max: 5400 }),
      forS: fc.integer({ min: 60, max: 900 }),
    }),
    { minLength: 1, maxLength: 3 },
  )
  // Where no order exists that is said; where one does nobody is needed in two rooms, and nothing of the work is lost that was there without.
  test('on any card: hands that are elsewhere are neither worked with nor stayed with, or the ladder says that it cannot be', () => {
    let fitted = 0
    fc.assert(
      fc.property(fc.constantFrom(...DEMO_CARDS), away, (id, elsewhere) => {
        const { given, plan } = visitOn(id)
        const reserved = elsewhere.map(({ fromS, forS }) => ({ fromS, toS: fromS + forS }))
        const next = compile({ ...given, reserved })
        if (!hasLadder(next)) return expect(next.problems.join(' '), id).not.toBe('')
        fitted++
        for (const part of binds(next))
          for (const { fromS, toS } of reserved)
            expect(part.endS <= fromS || toS <= part.startS, `${id} ${part.id}`).toBe(true)
        const essentials = (of: FittedPlan) =>
          of.steps.filter(({ essential }) => essential).map((step) => step.id)
        expect(essentials(next)).toEqual(essentials(plan))
        expect(next.totalS).toBeGreaterThanOrEqual(
          next.steps.length === plan.steps.length ? plan.totalS : 0,
        )
      }),
      { numRuns: runs(150) },
    )
    expect(fitted).toBeGreaterThan(0)
  })
  test('what is elsewhere before it begins, or after it is over, changes nothing', () => {
    for (const id of DEMO_CARDS) {
      const { given, plan } = visitOn(id)
      const reserved = [
        { fromS: -900, toS: 0 },
        { fromS: 6 * 3600, toS: 7 * 3600 },
      ]
      const next = compile({ ...given, reserved })
      expect([next.totalS, next.steps.length], id).toEqual([plan.totalS, plan.steps.length])
    }
  })
})
