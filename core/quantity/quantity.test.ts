import { describe, expect, expectTypeOf, test } from 'vitest'
import {
  add,
  amountIn,
  calibrate,
  inMeasures,
  massAsVolume,
  measureInWords,
  quantity,
  QuantityError,
  scale,
  volumeAsMass,
  type Quantity,
} from '.'

describe('published measures', () => {
  // NIST Handbook 44, Appendix C (value from memory): 1 teaspoon = 4.92892 mL; 3 teaspoons = 1 tablespoon.
  test('US spoons', () => {
    expect(quantity(1, 'tsp-us').base).toBeCloseTo(4.92892, 5)
    expect(quantity(1, 'tbsp-us').base).toBeCloseTo(14.78676, 5)
  })
  // Long & Finlay, Clin Exp Dermatol 1991;16:444–447 (value from memory): 0.49 g and 0.43 g; face and neck 2.5 units.
  test('fingertip units', () => {
    expect(quantity(2.5, 'ftu-men').base).toBeCloseTo(1.225, 3)
    expect(quantity(2.5, 'ftu-women').base).toBeCloseTo(1.075, 3)
  })
  // Pharmaceutical convention: 20 drops per mL.
  test('drops', () => expect(amountIn(quantity(1, 'mL'), 'drop')).toBeCloseTo(20, 9))
})

describe('dimensions', () => {
  test('sums stay in their dimension', () => {
    const sum = add(quantity(1, 'min'), quantity(30, 's'))
    expectTypeOf(sum).toEqualTypeOf<Quantity<'time'>>()
    expect(amountIn(sum, 'min')).toBe(1.5)
    expect(amountIn(scale(quantity(2, 'g'), 3), 'mg')).toBeCloseTo(6000, 6)
  })
  test('another dimension is refused, by type and at run time', () => {
    // @ts-expect-error a mass is no volume
    expect(() => add(quantity(1, 'g'), quantity(1, 'mL'))).toThrow(
      new QuantityError('A mass (g) cannot be combined with a volume (mL).'),
    )
    // @ts-expect-error two temperatures have no sum
    expect(() => add(quantity(20, '°C'), quantity(20, '°C'))).toThrow(
      'Two temperatures cannot be added.',
    )
  })
  test.each([NaN, Infinity])('%s is no amount', (amount) =>
    expect(() => quantity(amount, 'g')).toThrow(QuantityError),
  )
})

describe('salon measures', () => {
  test('20 pumps weighed 16 g', () =>
    expect(calibrate('pump', 'g', 20, 16)).toEqual({
      name: 'pump',
      unit: 'g',
      per: 0.8,
      calibration: { count: 20, total: 16 },
    }))
  test('a dose in half measures, with what that misses', () => {
    const measure = calibrate('pump', 'g', 20, 16)
    expect(inMeasures(quantity(2, 'g'), measure)).toEqual({ count: 2.5, error: 0 })
    expect(inMeasures(quantity(1.9, 'g'), measure)!.error).toBeCloseTo(0.1, 9)
    expect(inMeasures(quantity(0.01, 'g'), measure)!.count).toBe(0.5)
    expect(inMeasures(quantity(2, 'mL'), measure)).toBeUndefined()
  })
  // Common practice, no source: eighths of a teaspoon, quarters of a dropper, half pumps, whole drops.
  test.each([
    ['teaspoon', 4.93, 'mL', 3.1, 0.625],
    ['dropper', 1, 'mL', 0.6, 0.5],
    ['dropper', 1, 'mL', 0.65, 0.75],
    ['pump', 0.8, 'mL', 1.9, 2.5],
    ['drop', 0.05, 'mL', 0.61, 12],
  ] as const)('%s of %s %s: %s in the hand is %s', (name, per, unit, dose, count) => {
    const found = inMeasures(quantity(dose, unit), { name, unit, per })!
    expect(found.count).toBe(count)
    expect(found.error).toBeCloseTo(count * per - dose, 9)
  })
  test('grams per level teaspoon are the way between spoons and grams, and without them there is none', () => {
    // Salt, about 6 g a level teaspoon (kitchen handbooks, value from memory); three teaspoons are a tablespoon, 14.78676 mL.
    expect(volumeAsMass(14.78676, 6)).toBeCloseTo(18, 4)
    expect(massAsVolume(18, 6)).toBeCloseTo(14.78676, 4)
    expect([volumeAsMass(5, undefined), massAsVolume(5, undefined)]).toEqual([undefined, undefined])
  })
  test.each([
    [0.125, 'teaspoon', '⅛ teaspoon'],
    [2.5, 'pump', '2½ pumps'],
    [1, 'pea', '1 pea'],
    [12, 'drop', '12 drops'],
    [1.5, 'dime', '1½ dime sizes'],
  ] as const)('%s %s reads %s', (count, name, words) =>
    expect(measureInWords(count, name)).toBe(words),
  )
  test('a calibration of nothing is refused', () =>
    expect(() => calibrate('pump', 'g', 0, 16)).toThrow(RangeError))
})
