import { describe, expect, test } from 'vitest'
import { isOutsideAhaReview, reviewFlags, worthAt } from '.'

const flag = (name: string, percent: number, pH?: number, home?: boolean) =>
  reviewFlags({ actives: [{ name, percent }], pH, home })[0]

// Cosmetic Ingredient Review, Int J Toxicol 1998;17 Suppl 1 (value from memory): home ≤ 10 % and pH ≥ 3.5; professional brief rinse-off ≤ 30 % and pH ≥ 3.0.
describe('the pair of figures for glycolic and lactic', () => {
  test.each([
    ['glycolic', 30, 3, 'within'],
    ['glycolic', 30.1, 3, 'outside'],
    ['lactic', 30, 2.9, 'outside'],
    ['lactic', 12, 3.8, 'within'],
    ['glycolic', 25, undefined, 'none'],
    ['glycolic', 40, undefined, 'outside'],
  ])('%s %s %% at pH %s by a professional: %s', (name, percent, pH, verdict) =>
    expect(flag(name, percent, pH)!.verdict).toBe(verdict),
  )
  test.each([
    [10, 3.5, 'within'],
    [10.1, 3.5, 'outside'],
    [10, 3.4, 'outside'],
  ])('%s %% at pH %s at home: %s', (percent, pH, verdict) =>
    expect(flag('glycolic', percent, pH, true)!.verdict).toBe(verdict),
  )
  test('one outside is enough; an unknown pH is no reason', () => {
    expect(
      isOutsideAhaReview({
        actives: [
          { name: 'lactic', percent: 5 },
          { name: 'glycolic', percent: 35 },
        ],
        pH: 4,
      }),
    ).toBe(true)
    expect(isOutsideAhaReview({ actives: [{ name: 'lactic', percent: 5 }] })).toBe(false)
    expect(isOutsideAhaReview({ actives: [{ name: 'mandelic', percent: 50 }], pH: 1 })).toBe(false)
  })
})
// 21 CFR 333.310, now OTC Monograph M006 (value from memory).
test.each([
  ['salicylic', 0.5, 'within'],
  ['salicylic', 2, 'within'],
  ['salicylic', 0.4, 'outside'],
  ['salicylic', 2.1, 'outside'],
  ['benzoyl peroxide', 2.5, 'within'],
  ['benzoyl peroxide', 10.5, 'outside'],
  ['sulfur', 3, 'within'],
  ['sulfur', 2.9, 'outside'],
  ['sulfur', 10, 'within'],
])('%s %s %% as an acne active: %s', (name, percent, verdict) =>
  expect(flag(name, percent)).toMatchObject({
    verdict,
    source: expect.stringContaining('333.310'),
  }),
)
test('never called illegal, and silence is said', () => {
  expect(flag('mandelic', 40, 2)).toEqual({
    active: 'mandelic',
    verdict: 'none',
    says: 'No published review for this acid: its maker’s figure counts.',
  })
  expect(flag('niacinamide', 20)).toBeUndefined()
  for (const one of reviewFlags({
    actives: [
      { name: 'glycolic', percent: 70 },
      { name: 'salicylic', percent: 30 },
    ],
    pH: 1,
  }))
    expect(one.says).not.toMatch(/illegal|forbidden|banned/i)
})
// Henderson–Hasselbalch, worked by hand with pKa 3.83: 25 · (0.915/0.871) = 26.2.
test('25 % glycolic at pH 2.8 is worth 26.2 % at 3.0, not 35 to 40 %', () =>
  expect(worthAt('glycolic', 25, 2.8, 3)).toBeCloseTo(26.2, 1))
