import { describe, expect, test } from 'vitest'
import { planFor } from '../../tests/situations'
import { ACID, BRIGHTENING, CARDS, SET_MASK, SUPPLIES, SHELF } from '../../tests/fixtures'
import { doseInWords, trayFor } from './tray'

const pump = { name: 'pump', unit: 'mL', per: 0.8 } as const
describe('a dose in words', () => {
  test.each([
    [{ amount: 2.4, unit: 'mL' }, pump, '3 pumps · 2.4 mL'],
    [{ amount: 0.8, unit: 'mL' }, pump, '1 pump · 0.8 mL'],
    [{ amount: 1.2, unit: 'mL' }, pump, '1½ pumps · 1.2 mL'],
    [{ amount: 0.2, unit: 'mL' }, pump, '½ pump · 0.2 mL, gives 0.4 mL'],
    [{ amount: 3, unit: 'g' }, pump, '3 g'],
    [{ amount: 3, unit: 'g' }, undefined, '3 g'],
  ] as const)('%o by %o is %s', (dose, measure, words) =>
    expect(doseInWords(dose, measure)).toBe(words),
  )
})

describe('the tray', () => {
  const plan = planFor()
  test('stands in order of use, with ids of its own', () => {
    const order = plan.steps.map((step) => step.id)
    const at = plan.tray.map((item) => order.indexOf(item.stepId))
    expect(at).toEqual([...at].sort((a, b) => a - b))
    expect(new Set(plan.tray.map((item) => item.id)).size).toBe(plan.tray.length)
  })
  test('every product, device and removal of the ladder is on it', () => {
    for (const step of plan.steps) {
      const own = plan.tray.filter((item) => item.stepId === step.id)
      if (step.product)
        expect(own.map((item) => item.name)).toContain(
          SHELF.products.find((product) => product.id === step.product!.productId)!.name,
        )
      expect(
        own.filter((item) =>
          step.segments.some((segment) => item.id === `${step.id}:${segment.id}`),
        ),
      ).toHaveLength(
        step.segments.filter(
          (segment) =>
            segment.kind === 'remove' &&
            !['none', 'lift-off', 'water', undefined].includes(segment.tool),
        ).length,
      )
    }
  })
  test('what sets is mixed in a flexible bowl; an enzyme in a plain one', () => {
    const bowls = trayFor(BRIGHTENING.steps, SHELF)
      .filter((item) => /:(bowl|stir|cup)$/.test(item.id))
      .map((item) => [item.stepId, item.name])
    expect(bowls).toEqual([
      ['enzyme', 'bowl'],
      ['enzyme', 'brush'],
      ['enzyme', 'measuring cup and thermometer'],
      ['kelp', 'flexible bowl'],
      ['kelp', 'spatula'],
      ['kelp', 'measuring cup and thermometer'],
    ])
  })
  test('linen, headband, water and fan are out before the first step; one towel more where a mask hardens', () => {
    const tray = trayFor(BRIGHTENING.steps, SHELF)
    expect(tray.slice(0, 3).map((item) => item.name)).toEqual([
      'linen for the bed',
      'headband',
      'bowl of water',
    ])
    expect(tray.filter((item) => item.id.endsWith(':spare')).map((item) => item.stepId)).toEqual([
      'kelp',
    ])
    expect(trayFor(ACID.steps, SHELF).map((item) => item.name)).toContain('fan')
  })
  test('everything that is used up, washed or kept names its supply, so that it can be counted and paid for', () => {
    const known = new Set(SUPPLIES.map((supply) => supply.id))
    for (const version of CARDS)
      for (const item of trayFor(version.steps, SHELF))
        if (item.supply) expect(known, `${version.name}: ${item.name}`).toContain(item.supply.id)
  })
  test('a towel says when it may leave the cabinet: never sooner than it is cool enough', () => {
    const towel = trayFor(SET_MASK.steps, SHELF).find((item) => item.name === 'warm towel')!
    // Newton: 23 + (70 − 23)·e^(−t/180) = 40 at t = 180·ln(47/17) = 183.05 s, worked by hand.
    expect(towel.readyInS).toBe(184)
    expect(towel.note).toBe('40 °C at the wrist; ready 3 min out of the cabinet')
  })
  test('a cloth carries its temperature, a device its setting and set-up', () => {
    const acid = trayFor(ACID.steps, SHELF)
    expect(acid.find((item) => item.stepId === 'led')!.note).toContain('eye shields')
    expect(
      trayFor(SET_MASK.steps, SHELF).find(
        (item) => item.stepId === 'massage' && item.name.includes('towel'),
      )!.name,
    ).toBe('warm towel')
  })
})
