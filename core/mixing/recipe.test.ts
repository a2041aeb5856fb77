import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { make, SHELF } from '../../tests/fixtures'
import type { Product, Recipe } from '../catalog/model'
import { unitOf } from '../catalog/batches'
import { massShares, mixActives } from './shares'
import { mixFaults } from './mix-faults'
import { partsOf, scaleRecipe } from './recipe'

const { products } = SHELF
const mix = (id: string): Product & { recipe: Recipe } =>
  products.find((product) => product.id === id) as Product & { recipe: Recipe }
const COCKTAIL = mix('meadow-cocktail').recipe
const of = (...parts: [string, number][]): Recipe => ({
  by: 'mass',
  parts: parts.map(([productId, count]) => ({ productId, parts: count })),
})

describe('a recipe scaled', () => {
  test('a four-part cocktail to 12 g: six, three, two and one', () => {
    const { lines, total, grams, faults } = scaleRecipe(COCKTAIL, products, {
      amount: 12,
      unit: 'g',
    })
    expect(lines.map((line) => [line.name, line.grams])).toEqual([
      ['Oat Soothing Mask', 6],
      ['Cucumber Soothing Gel', 3],
      ['Kaolin Powder', 2],
      ['Clover Drops', 1],
    ])
    expect([total, grams, faults]).toEqual([{ amount: 12, unit: 'g' }, 12, []])
  })
  test('in the measures a hand has: weighed spoons in eighths, whole drops', () => {
    const { lines } = scaleRecipe(COCKTAIL, products, { amount: 12, unit: 'g' })
    // 2 g of kaolin at 2.3 g a level teaspoon = 0.87 tsp → ⅞ (2.01 g). 1 g of drops at 5 g a teaspoon = 0.2 tsp = 0.986 mL = 19.7 drops of 0.05 mL → 20.
    expect(lines[2]!.inHand).toMatchObject({ words: '⅞ teaspoon', gives: 2.01 })
    expect(lines[3]!.inHand).toMatchObject({ words: '20 drops' })
  })
  test('by volume: spoons; grams only where a teaspoon was weighed', () => {
    const recipe: Recipe = {
      by: 'volume',
      parts: [
        { productId: 'kaolin-powder', parts: 1 },
        { productId: 'water', parts: 3 },
      ],
    }
    const { lines } = scaleRecipe(recipe, products, { amount: 4 * 4.92892, unit: 'mL' })
    expect(lines[0]).toMatchObject({ mL: 4.93, grams: 2.3, inHand: { words: '1 teaspoon' } })
    expect(lines[1]).toMatchObject({ name: 'Water', mL: 14.79, inHand: { words: '3 teaspoons' } })
    const unknown = scaleRecipe(
      {
        by: 'volume',
        parts: [
          { productId: 'peat-mud', parts: 1 },
          { productId: 'water', parts: 1 },
        ],
      },
      products,
      { amount: 10, unit: 'g' },
    )
    expect(unknown.total.unit).toBe('mL')
    expect(unknown.faults[0]!.says).toContain('No weight per teaspoon is known of Peat Mud Mask')
  })
  test('ratios are kept and nothing is lost, whatever the amount', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 2, maxLength: 8 }),
        fc.integer({ min: 100, max: 30_000 }),
        (counts, hundredths) => {
          const recipe = of(...counts.map((count, at): [string, number] => [`p${at}`, count]))
          const { lines } = scaleRecipe(recipe, [], { amount: hundredths / 100, unit: 'g' })
          expect(lines.reduce((sum, line) => sum + Math.round(line.grams! * 100), 0)).toBe(
            hundredths,
          )
          const sum = counts.reduce((a, b) => a + b, 0)
          for (const [at, line] of lines.entries())
            expect(Math.abs(line.grams! - (hundredths / 100) * (counts[at]! / sum))).toBeLessThan(
              0.0100001,
            )
        },
      ),
    )
  })
  test.each([0, -1, NaN, Infinity])('%s g is no mix', (amount) =>
    expect(() => scaleRecipe(COCKTAIL, products, { amount, unit: 'g' })).toThrow(
      'A mix needs an amount above zero.',
    ),
  )
})

describe('what comes out', () => {
  // C₁V₁ = C₂V₂: 20 % panthenol, one part of twelve → 20/12 %.
  test('percent of every active', () => {
    expect(mixActives(mix('oat-cocktail').recipe, products)).toEqual([
      { name: 'panthenol', percent: 1.667, from: ['Panthenol Drops'] },
    ])
    const doubled = [
      make({
        id: 'a',
        name: 'A',
        kind: 'acid',
        uses: [],
        actives: [{ name: 'lactic', percent: 10 }],
      }),
      make({
        id: 'b',
        name: 'B',
        kind: 'acid',
        uses: [],
        actives: [
          { name: 'lactic', percent: 30 },
          { name: 'urea', percent: 4 },
        ],
      }),
    ]
    expect(mixActives(of(['a', 1], ['b', 1], ['water', 2]), doubled)).toEqual([
      { name: 'lactic', percent: 10, from: ['A', 'B'] },
      { name: 'urea', percent: 1, from: ['B'] },
    ])
  })
  test('shares add up to one; by volume where a weight is not known, and says so', () => {
    const shares = massShares(
      {
        by: 'volume',
        parts: [
          { productId: 'kaolin-powder', parts: 1 },
          { productId: 'water', parts: 1 },
        ],
      },
      products,
    )
    expect(shares.byVolume).toBe(false)
    expect(shares.of.get('kaolin-powder')).toBeCloseTo(2.3 / (2.3 + 4.92892), 9)
    expect(
      massShares(
        {
          by: 'volume',
          parts: [
            { productId: 'peat-mud', parts: 1 },
            { productId: 'water', parts: 3 },
          ],
        },
        products,
      ),
    ).toMatchObject({ byVolume: true })
  })
})

describe('limits of what is stirred in', () => {
  test('at the limit is permitted, above it is not, and the most parts that keep it are named', () => {
    expect(mixFaults(of(['oat-mask', 7], ['kaolin-powder', 3]), products)).toEqual([])
    const [fault] = mixFaults(of(['oat-mask', 6], ['kaolin-powder', 4]), products)
    expect(fault).toMatchObject({
      kind: 'limit',
      says: 'Kaolin Powder: 40 % of the mix, at most 30 %.',
      mostParts: 2.57,
    })
    expect(mixFaults(of(['oat-mask', 6], ['kaolin-powder', fault!.mostParts!]), products)).toEqual(
      [],
    )
  })
  test('not into everything; silence of a maker is said; what is on no shelf is named', () => {
    expect(mixFaults(of(['oat-cleanser', 9], ['kaolin-powder', 1]), products)[0]!.says).toBe(
      'Kaolin Powder goes into mask, not into a cleanser.',
    )
    expect(mixFaults(of(['oat-mask', 9], ['dune-cream', 1]), products)[0]).toMatchObject({
      kind: 'note',
    })
    expect(mixFaults(of(['oat-mask', 9], ['nobody', 1]), products)[0]).toMatchObject({
      kind: 'missing',
      productId: 'nobody',
    })
  })
})

test('units never mix: whatever is taken is counted as the shelf counts it, and the grams are the dose', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...products.filter((product) => product.recipe)),
      fc.integer({ min: 10, max: 5000 }),
      (product, tenths) => {
        const taken = partsOf(product, { amount: tenths / 10, unit: 'g' }, products)
        for (const part of taken)
          expect(part.unit).toBe(unitOf(products.find((product) => product.id === part.productId)!))
        const grams = scaleRecipe(product.recipe!, products, {
          amount: tenths / 10,
          unit: 'g',
        }).lines.reduce((sum, line) => sum + line.grams!, 0)
        expect(grams).toBeCloseTo(tenths / 10, 6)
      },
    ),
  )
})
test('a dose takes its parts off the shelf, each in its own unit', () => {
  expect(partsOf(mix('oat-cocktail'), { amount: 12, unit: 'g' }, products)).toEqual([
    { productId: 'oat-mask', amount: 7, unit: 'g' },
    { productId: 'cucumber-gel', amount: 2.96, unit: 'mL' },
    { productId: 'kaolin-powder', amount: 1, unit: 'g' },
    { productId: 'panthenol-drops', amount: 0.99, unit: 'mL' },
  ])
  expect(partsOf(products[0]!, { amount: 3, unit: 'mL' }, products)).toEqual([
    { productId: products[0]!.id, amount: 3, unit: 'mL' },
  ])
})
