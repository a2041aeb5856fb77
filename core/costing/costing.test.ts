import { RATES, CARDS, SHELF, KITS, SUPPLIES, cardOf } from '../../tests/fixtures'
import {
  ownSeconds,
  addOnOf,
  addOnsOf,
  compareOffers,
  costOf,
  costRange,
  earnedBy,
  leastPrice,
  restOfKit,
} from '.'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { visitOf } from '../../tests/person-visit'
import { compile } from '../adapt'

const rates = { ...RATES, turnoverMinutes: 10 }
const visit = (id: string, client = 'Wren Castellane', more = {}) =>
  compile(visitOf(client, cardOf(id), more))
const costs = (plan: ReturnType<typeof visit>) =>
  costOf({ plan, shelf: SHELF, supplies: SUPPLIES, rates })

describe('what a visit costs', () => {
  test('worked by hand: one cleanser, one pair of sponges, two minutes and a half', () => {
    const step = { ...cardOf('brightening').steps.find((step) => step.id === 'cleanse-1')! }
    const plan = {
      steps: [step],
      totalS: 150,
      tray: [
        {
          id: 't',
          name: 'damp sponges, pair',
          count: 1,
          for: step.title,
          stepId: step.id,
          supply: { id: 'sponge', count: 1 },
        },
      ],
      segments: [
        {
          id: 'x',
          stepId: step.id,
          kind: 'apply' as const,
          startS: 0,
          endS: 150,
          maxS: 150,
          active: false,
          hands: true,
          presence: 'client' as const,
          zones: [],
        },
      ],
    }
    const cost = costOf({ plan, shelf: SHELF, supplies: SUPPLIES, rates })
    // 4.8 mL of 500 mL at 19.00 = 18.24 cents; sponges 15; 150 s at 26.00 an hour = 108.33 and at 9.00 = 37.5; turnover 10 min at 9.00 = 150. Together 329.07 → 329.
    expect(cost.totalMinor).toBe(329)
    expect(cost.lines.map((line) => [line.kind, line.minor])).toEqual([
      ['product', 18],
      ['supply', 15],
      ['practitioner', 108],
      ['room', 38],
      ['room', 150],
    ])
    expect([cost.goodsMinor, cost.timeMinor, cost.unpriced]).toEqual([33, 296, []])
  })
  test.each(CARDS.map((card) => [card.protocolId]))(
    '%s: lines are whole and add up to the total exactly; every second has one owner',
    (id) => {
      const plan = visit(id, 'Wren Castellane', {
        practitioner: {
          scope: ['minors', 'rf', 'measured-infusion', 'needling', 'blade', 'lancet'],
          hazards: [],
        },
      })
      const cost = costs(plan)
      expect(cost.lines.every((line) => Number.isInteger(line.minor) && line.minor >= 0)).toBe(true)
      expect(cost.lines.reduce((sum, line) => sum + line.minor, 0)).toBe(cost.totalMinor)
      expect(cost.goodsMinor + cost.timeMinor).toBe(cost.totalMinor)
      expect(cost.unpriced).toEqual([])
      if (plan.steps.length > 0)
        expect([...ownSeconds(plan).values()].reduce((a, b) => a + b, 0)).toBe(plan.totalS)
    },
  )
  test('what hangs under a mask owns no minutes; a house mix costs what its parts cost', () => {
    const lips = costs(visit('brightening')).steps.find((step) => step.stepId === 'lips')!
    expect([lips.ownS, lips.timeMinor]).toEqual([0, 0])
    expect(lips.goodsMinor).toBeGreaterThan(0)
    const bowl = costs(visit('mixed-bowl'))
      .lines.filter((line) => line.stepId === 'bowl' && line.kind === 'product')
      .map((line) => line.what)
    expect(bowl).toEqual([
      'Oat Soothing Mask',
      'Cucumber Soothing Gel',
      'Kaolin Powder',
      'Panthenol Drops',
    ])
  })
  test('what has no price is named and not in the sum', () => {
    const plan = visit('brightening')
    const bare = costOf({
      plan,
      shelf: { ...SHELF, products: SHELF.products.map(({ pack: _, ...one }) => one) },
      supplies: [],
      rates,
    })
    expect(bare.goodsMinor).toBe(0)
    expect(bare.unpriced).toContain('Oat Milk Cleanser')
  })
  test('open gates give a range, and answering them closes it', () => {
    const open = compile({
      ...visitOf('Wren Castellane', cardOf('clarifying')),
      reading: { done: false, findings: [], lesions: [], meters: [] },
    })
    const range = costRange({ plan: open, shelf: SHELF, supplies: SUPPLIES, rates })
    expect(open.open.length).toBeGreaterThan(0)
    expect(range.least.totalMinor).toBeLessThan(range.most.totalMinor)
    const closed = costRange({
      plan: visit('clarifying'),
      shelf: SHELF,
      supplies: SUPPLIES,
      rates,
    })
    expect(closed.least).toBe(closed.most)
  })
})

describe('prices', () => {
  test.each([
    [6500, 35, 10000],
    [100, 0, 100],
    [1, 50, 2],
    [333, 35, 513],
  ])('%s at a margin of %s %%: at least %s', (cost, margin, price) =>
    expect(leastPrice(cost, margin)).toBe(price),
  )
  test('is the least: one less would not do', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1_000_000 }),
        fc.integer({ min: 0, max: 95 }),
        (cost, margin) => {
          const price = leastPrice(cost, margin)
          expect((price - cost) * 100).toBeGreaterThanOrEqual(margin * price - 1e-6)
          expect((price - 1 - cost) * 100).toBeLessThan(margin * (price - 1) + 1e-6)
        },
      ),
    )
  })
  test.each([100, -1, NaN])('a margin of %s %% is refused', (margin) =>
    expect(() => leastPrice(100, margin)).toThrow(RangeError),
  )
  test('what a price leaves, and what a minute earns', () => {
    expect(earnedBy(9800, { totalMinor: 5200, goodsMinor: 1400 }, 84)).toEqual({
      profitMinor: 4600,
      marginPercent: 46.9,
      perMinuteMinor: 100,
    })
    expect(earnedBy(0, { totalMinor: 5, goodsMinor: 5 }, 0)).toEqual({
      profitMinor: -5,
      marginPercent: undefined,
      perMinuteMinor: undefined,
    })
  })
  test('an add-on in a gap costs its goods only; beside the mask it costs its minutes too', () => {
    const plan = visit('brightening')
    const lips = addOnsOf(plan, costs(plan), rates).find((addOn) => addOn.stepId === 'lips')!
    expect([lips.extraS, lips.breakEvenMinor]).toEqual([0, lips.goodsMinor])
    // 10 min at 26.00 + 9.00 an hour = 5.83⅓ → 584 with what it uses.
    expect(addOnOf(0, 600, rates)).toMatchObject({
      costMinor: 584,
      breakEvenMinor: 584,
      leastMinor: 899,
    })
  })
  test('included against one by one', () => {
    // Two enhancements at 15.00 that cost 3.00 each; included for 12.00 more. One by one they earn 24.00 when all take them; included 6.00: the same at a quarter.
    expect(
      compareOffers(
        { priceMinor: 9000, costMinor: 5000 },
        [
          { priceMinor: 1500, costMinor: 300 },
          { priceMinor: 1500, costMinor: 300 },
        ],
        10200,
      ),
    ).toEqual({
      oneByOneMinor: 12000,
      oneByOneProfitMinor: 6400,
      includedProfitMinor: 4600,
      savedMinor: 1800,
      sameAt: 0.25,
    })
    expect(
      compareOffers(
        { priceMinor: 9000, costMinor: 5000 },
        [{ priceMinor: 300, costMinor: 300 }],
        9500,
      ).sameAt,
    ).toBeUndefined()
  })
})

test('what of a kit goes home: half a vial, all of the rest; nothing that is used up', () => {
  const kit = KITS[0]!
  expect(restOfKit(kit, [{ productId: 'moor-vial', amount: 1.5 }])).toEqual(
    kit.items.map((item) => ({
      ...item,
      amount: item.productId === 'moor-vial' ? 1.5 : item.amount,
    })),
  )
  expect(
    restOfKit(kit, [{ productId: 'moor-vial', amount: 3 }]).map((part) => part.productId),
  ).toEqual(['sorrel-spot', 'niacin-serum'])
})
