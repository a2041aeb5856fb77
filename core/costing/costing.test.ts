import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { cardOf, demoVisit } from '../../tests/demo-visit'
import { DEMO_PROTOCOLS } from '../../demo/protocols'
import { DEMO_SHELF } from '../../demo/shelf'
import { KITS, SUPPLIES } from '../../demo/shelf/mixes'
import { make } from '../../demo/shelf/make'
import { RATES } from '../../demo/stock'
import { compile } from '../adapt'
import type { Batch } from '../catalog/model'
import {
  addOnOf,
  addOnsOf,
  compareOffers,
  costOf,
  costOfCard,
  costRange,
  earnedBy,
  forecast,
  isUrgent,
  layOut,
  leastPrice,
  orderList,
  ownSeconds,
  restOfKit,
} from '.'

const rates = { ...RATES, turnoverMinutes: 10 }
const visit = (id: string, client = 'Wren Castellane', more = {}) =>
  compile(demoVisit(client, cardOf(id), more))
const costs = (plan: ReturnType<typeof visit>) =>
  costOf({ plan, shelf: DEMO_SHELF, supplies: SUPPLIES, rates })

describe('what a visit costs', () => {
  test('worked by hand: one cleanser, one pair of sponges, two minutes and a half', () => {
    const step = { ...cardOf('brightening').steps.find((one) => one.id === 'cleanse-1')! }
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
    const cost = costOf({ plan, shelf: DEMO_SHELF, supplies: SUPPLIES, rates })
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
  test.each(DEMO_PROTOCOLS.map((one) => [one.protocolId]))(
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
      shelf: { ...DEMO_SHELF, products: DEMO_SHELF.products.map(({ pack: _, ...one }) => one) },
      supplies: [],
      rates,
    })
    expect(bare.goodsMinor).toBe(0)
    expect(bare.unpriced).toContain('Oat Milk Cleanser')
  })
  test('open gates give a range, and answering them closes it', () => {
    const open = compile({
      ...demoVisit('Wren Castellane', cardOf('clarifying')),
      reading: { done: false, findings: [], lesions: [], meters: [] },
    })
    const range = costRange({ plan: open, shelf: DEMO_SHELF, supplies: SUPPLIES, rates })
    expect(open.open.length).toBeGreaterThan(0)
    expect(range.least.totalMinor).toBeLessThan(range.most.totalMinor)
    const closed = costRange({
      plan: visit('clarifying'),
      shelf: DEMO_SHELF,
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
    const lips = addOnsOf(plan, costs(plan), rates).find((one) => one.stepId === 'lips')!
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

describe('what the booked weeks take', () => {
  const serum = {
    ...make({ id: 's', name: 'Serum', kind: 'serum', uses: [], unit: 'mL', afterOpeningMonths: 6 }),
    pack: { amount: 30, priceMinor: 2000 },
  }
  const batches: Batch[] = [
    { id: 'a', lot: 'A', receivedOn: '2026-06-01', openedOn: '2026-06-01', left: 5 },
    { id: 'b', lot: 'B', receivedOn: '2026-10-01', left: 3, bestBefore: '2027-06-01' },
  ]
  const booked = (...dates: string[]) => dates.map((date) => ({ date, productId: 's', amount: 3 }))
  test('an open jar ends at its own day, and what is in it then is lost', () => {
    // The open jar may be used until 1 December: 3 mL on 28 November leave 2, which are past their time on 5 December; the sealed 3 mL go then; on 12 December nothing is left.
    const [one] = forecast(
      [{ product: serum, batches }],
      booked('2026-12-05', '2026-11-28', '2026-12-12'),
      '2026-11-25',
      '2026-12-31',
    )
    expect(one).toMatchObject({
      usableNow: 8,
      booked: 9,
      visits: 3,
      runsOutOn: '2026-12-12',
      short: 3,
      wasted: 2,
      openUntil: '2026-12-01',
    })
  })
  test('the order list: whole packs with a reserve, the soonest first', () => {
    const other = { ...serum, id: 't', name: 'Toner' }
    const made = forecast(
      [
        { product: serum, batches },
        { product: other, batches: [] },
        { product: { ...serum, id: 'u', name: 'Unused' }, batches: [] },
      ],
      [
        ...booked('2026-12-05', '2026-12-12', '2026-12-20'),
        { date: '2026-11-27', productId: 't', amount: 25 },
      ],
      '2026-11-25',
      '2026-12-31',
    )
    const list = orderList(made, [serum, other])
    expect(list.map((line) => [line.name, line.packs, line.by, line.priceMinor])).toEqual([
      ['Toner', 2, '2026-11-27', 4000],
      ['Serum', 1, '2026-12-12', 2000],
    ])
    expect(list.map((line) => isUrgent(line, '2026-11-25'))).toEqual([true, false])
  })
  test('more visits never leave more', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 27 }), { maxLength: 12 }), (days) => {
        const demands = days.map((day) => ({
          date: `2026-12-${String(day).padStart(2, '0')}`,
          productId: 's',
          amount: 1,
        }))
        const [fewer, more] = [
          forecast([{ product: serum, batches }], demands, '2026-11-25', '2026-12-31')[0]!,
          forecast(
            [{ product: serum, batches }],
            [...demands, { date: '2026-12-28', productId: 's', amount: 2 }],
            '2026-11-25',
            '2026-12-31',
          )[0]!,
        ]
        expect(more.short).toBeGreaterThanOrEqual(fewer.short)
        expect(fewer.short).toBeLessThanOrEqual(fewer.booked)
      }),
    )
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
    restOfKit(kit, [{ productId: 'moor-vial', amount: 3 }]).map((one) => one.productId),
  ).toEqual(['sorrel-spot', 'niacin-serum'])
})

describe('what laying out needs', () => {
  const money = { rates, supplies: SUPPLIES }
  const scope = {
    practitioner: { scope: ['minors' as const, 'measured-infusion' as const], hazards: [] },
  }
  test('a measured dose goes over its zones in the order of the device’s way and lasts to the last', () => {
    const input = demoVisit('Wren Castellane', cardOf('deep-well'), scope)
    const plan = compile(input)
    const [infusion] = layOut(input, plan, money).infusions
    expect(infusion!.mL).toBe(4)
    expect(infusion!.zones.map((one) => one.zone)).toEqual(
      plan.steps
        .find((step) => step.id === 'infuse')!
        .passes!.zones.filter((zone) =>
          plan.steps.find((step) => step.id === 'infuse')!.zones.includes(zone),
        ),
    )
    expect(infusion!.zones.reduce((sum, one) => sum + Math.round(one.mL * 100), 0)).toBe(400)
  })
  test('bowls begin where the schedule has them, and a towel leaves the cabinet early enough', () => {
    const input = demoVisit('Wren Castellane', cardOf('set-mask'), {
      practitioner: { scope: ['minors'], hazards: [] },
    })
    const plan = compile(input)
    const laid = layOut(input, plan, money)
    for (const [stepId, atS] of Object.entries(laid.mixAtS))
      expect(atS).toBe(
        plan.segments.find((one) => one.stepId === stepId && one.kind === 'prepare')!.startS,
      )
    const towels = plan.tray.filter((item) => item.readyInS !== undefined)
    expect(towels.length).toBeGreaterThan(0)
    for (const item of towels)
      expect(
        plan.segments.some(
          (one) =>
            one.stepId === item.stepId &&
            one.kind === 'remove' &&
            one.startS - item.readyInS! === laid.towelOutS[item.id],
        ),
      ).toBe(true)
  })
  test('what is taken is what the costs and the shelf count, once per product, with its lot', () => {
    const input = demoVisit('Wren Castellane', cardOf('brightening'), {
      shelf: {
        ...DEMO_SHELF,
        products: DEMO_SHELF.products.map((one) =>
          one.id === 'oat-cleanser' ? { ...one, lot: 'OM-12' } : one,
        ),
      },
    })
    const laid = layOut(input, compile(input), money)
    expect(laid.taken.find((one) => one.productId === 'oat-cleanser')).toEqual({
      productId: 'oat-cleanser',
      name: 'Oat Milk Cleanser',
      amount: 8,
      unit: 'mL',
      lot: 'OM-12',
    })
    expect(new Set(laid.taken.map((one) => one.productId)).size).toBe(laid.taken.length)
    expect(laid.addOns.map((one) => one.ref)).toContain('berry-lip-mask')
    expect(laid.cards.map((card) => card.stepId)).toEqual(['enzyme', 'kelp'])
  })
  test('a card before any client: what it costs, and its enhancements apart', () => {
    const { cost, totalS, addOns } = costOfCard(
      cardOf('brightening').steps,
      DEMO_SHELF,
      SUPPLIES,
      rates,
    )
    expect(cost.lines.reduce((sum, line) => sum + line.minor, 0)).toBe(cost.totalMinor)
    expect(totalS).toBeGreaterThan(3000)
    expect(addOns.map((one) => [one.ref, one.extraS])).toEqual(
      expect.arrayContaining([
        ['berry-lip-mask', 0],
        ['scalp', 0],
      ]),
    )
  })
})
