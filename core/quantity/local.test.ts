import { describe, expect, test } from 'vitest'
import { amountInWords, celsiusOf, fahrenheit, nearestFahrenheit, perUnitHere, saidIn } from '.'

describe('US measures', () => {
  // NIST Handbook 44, Appendix C (values from memory): 1 oz = 28.349523 g, 1 fl oz = 29.57353 mL, 1 tsp = 4.92892 mL.
  test.each([
    [12.5, 'g', '12.5 g'],
    [28.4, 'g', '1.0 oz'],
    [453.59237, 'g', '16.0 oz'],
    [29.57353, 'mL', '1.0 fl oz'],
    [59.147, 'mL', '2.0 fl oz'],
    [4.92892, 'mL', '1 teaspoon'],
    [8, 'mL', '1⅝ teaspoons'],
    [0.6, 'mL', '0.6 mL'],
    [1.55, 'mL', '1.55 mL'],
    [20, 'mL', '0.7 fl oz'],
    [16.3, 'mL', '16.3 mL'],
    [40, '°C', '104 °F'],
    [43, '°C', '109 °F'],
    [35, 'cm', '14 in'],
    [0.25, 'mm', '0.25 mm'],
    [3, 'level', '3 level'],
  ] as const)('%s %s reads %s', (amount, unit, words) =>
    expect(amountInWords(amount, unit, 'us')).toBe(words),
  )
  test('a spoon that is shown gives what was meant, to a twentieth', () => {
    const EIGHTHS: Readonly<Record<string, number>> = {
      ...{ '⅛': 0.125, '¼': 0.25, '⅜': 0.375, '½': 0.5, '⅝': 0.625, '¾': 0.75, '⅞': 0.875 },
    }
    let spoons = 0
    for (let mL = 0.05; mL < 30; mL += 0.05) {
      const [, whole, part] = /^(\d*)([⅛¼⅜½⅝¾⅞]?) teaspoons?$/u.exec(
        amountInWords(mL, 'mL', 'us'),
      ) ?? [undefined, undefined, undefined]
      if (whole === undefined) continue
      spoons++
      const poured = (Number(whole) + (EIGHTHS[part!] ?? 0)) * 4.92892
      expect(Math.abs(poured - mL) / mL).toBeLessThanOrEqual(0.05 + 1e-9)
    }
    expect(spoons).toBeGreaterThan(100)
  })
  test('a limit of heat is never said higher than it is', () => {
    for (let celsius = 0; celsius <= 60; celsius += 0.1)
      expect(celsiusOf(fahrenheit(celsius))).toBeLessThanOrEqual(celsius + 0.05 + 1e-9)
    expect([nearestFahrenheit(22), nearestFahrenheit(20)]).toEqual([72, 68])
    expect([celsiusOf(68), celsiusOf(104), celsiusOf(75)]).toEqual([20, 40, 23.9])
  })
})

test('what a gram costs is what an ounce costs by its grams', () => {
  expect(perUnitHere(10, 'g', 'metric')).toEqual({ price: 10, unit: 'g' })
  const [ounce, fluid] = [perUnitHere(10, 'g', 'us'), perUnitHere(10, 'mL', 'us')]
  expect([ounce.unit, fluid.unit]).toEqual(['oz', 'fl oz'])
  expect(16 * ounce.price).toBeCloseTo(4535.9237, 3)
  expect(128 * fluid.price).toBeCloseTo(37854.12, 1)
})

describe('a sentence', () => {
  test.each([
    [
      'towels 40 °C at the wrist, never above 43 °C',
      'towels 104 °F at the wrist, never above 109 °F',
    ],
    ['35 cm away', '14 in away'],
    ['between 15–30 °C', 'between 59–86 °F'],
    ['2 mg on 600 cm², 0.25 mm deep, 5 g', '2 mg on 600 cm², 0.25 mm deep, 5 g'],
    ['60 mL left', '2.0 fl oz left'],
    ['3 mL/g', '3 mL/g'],
    ['100 grams', '100 grams'],
    ['⅝ teaspoon · 3 mL', '⅝ teaspoon'],
    ['2 pumps · 3.2 mL', '2 pumps · ⅝ teaspoon'],
  ])('%s', (metric, us) => {
    expect(saidIn(metric, 'us')).toBe(us)
    expect(saidIn(metric, 'metric')).toBe(metric)
  })
})
