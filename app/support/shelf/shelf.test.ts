import { describe, expect, test } from 'vitest'
import { listed, type Listed } from '#core/catalog'
import { composedShelf } from '#core/mixing'
import { batchesOf, SHELF } from '~~/tests/fixtures'
import { benchResult } from './bench'
import { minorTyped, money, moneyField } from '~/support/money'
import { activesOn, figure, idFrom, NO_SHELF_WISH, shelfFor, vessels } from './shelf'

const TODAY = '2026-11-25'
const list: Listed[] = composedShelf(SHELF).products.map((product) =>
  listed(product, batchesOf(product.id), false, TODAY, '2026-12-25'),
)
const found = (more: Partial<typeof NO_SHELF_WISH>) =>
  shelfFor(list, { ...NO_SHELF_WISH, ...more }).map((one) => one.id)

describe('what the shelf is asked for', () => {
  test('every part of a wish must hold', () => {
    expect(found({})).toHaveLength(list.length)
    expect(found({ typed: 'lactic peel' })).toEqual(expect.arrayContaining(['lactic-peel']))
    expect(found({ active: 'glycolic' })).toEqual(['glycolic-peel'])
    expect(found({ kind: 'sun', state: 'low' })).toEqual(['sun-fluid'])
    expect(found({ never: 'neck' })).toContain('glycolic-peel')
    expect(found({ never: 'neck' })).not.toContain('oat-cleanser')
    expect(found({ never: 'open skin' })).not.toContain('sterile-sheet')
    expect(found({ away: true })).toEqual([])
    expect(found({ state: 'out' })).toEqual(expect.arrayContaining(['clover-drops']))
    expect(found({ state: 'past its time' })).toEqual(['dulse-gommage'])
    expect(found({ state: 'ends soon' })).toEqual(expect.arrayContaining(['scent-cream']))
  })
  test('actives once each; small figures to the hundredth, larger ones to the tenth', () => {
    expect(activesOn(list)).toEqual([...new Set(activesOn(list))].sort())
    expect([0.754, 12.504, 340.44, 1000].map(figure)).toEqual(['0.75', '12.5', '340.4', '1000'])
  })
  test('packs as vessels', () => {
    expect(vessels(1.6)).toEqual([1, expect.closeTo(0.6, 9)])
    expect(vessels(9)).toEqual([1, 1, 1])
    expect(vessels(0)).toEqual([0])
    expect(vessels(undefined)).toEqual([])
  })
  test('an id from a name, never one that is taken', () => {
    expect(idFrom('Crème à l’Avoine, 50 mL', new Set())).toBe('creme-a-l-avoine-50-ml')
    expect(idFrom('Gel', new Set(['gel', 'gel-2']))).toBe('gel-3')
    expect(idFrom('日本', new Set())).toBe('product')
    expect(idFrom('x'.repeat(200), new Set()).length).toBeLessThanOrEqual(60)
  })
})

describe('money', () => {
  test('in whole minor units, whatever the currency', () => {
    expect([money(1250, 'EUR'), money(1250, 'JPY')]).toEqual(['€12.50', 'JP¥1,250'])
    expect([moneyField(5, 'EUR'), moneyField(null, 'EUR'), moneyField(1250, 'JPY')]).toEqual([
      '0.05',
      '',
      '1250',
    ])
  })
  test.each([
    ['12.5', 1250],
    ['12,50', 1250],
    ['0.29', 29],
    ['', null],
    ['1.234', undefined],
    ['-3', undefined],
    ['a lot', undefined],
    ['1e5', undefined],
  ])('typed “%s” is %s', (typed, minor) => expect(minorTyped(typed, 'EUR')).toBe(minor))
})

describe('the bench', () => {
  const parts = [
    { productId: 'oat-mask', parts: 6 },
    { productId: 'cucumber-gel', parts: 3 },
    { productId: 'kaolin-powder', parts: 2 },
    { productId: 'panthenol-drops', parts: 1 },
  ]
  const on = (some = parts, amount = 12) =>
    benchResult('mass', some, { amount, unit: 'g' }, SHELF.products)
  test('says amounts, actives, what it is, and what it costs by its parts', () => {
    const result = on()!
    expect(result.scaled.lines.map((line) => line.grams)).toEqual([6, 3, 2, 1])
    // 6 g at 26.00 a 250 g, 2.96 mL at 17.00 a 200 mL, 2 g at 8.00 a 250 g, 0.99 mL at 15.00 a 30 mL: 62.4 + 25.2 + 6.4 + 49.5 = 143.5 cents.
    expect(result.costMinor).toBe(143)
    expect([result.unread, result.allergens]).toEqual([false, ['Oat']])
    expect(result.weighed).toBeUndefined()
  })
  test('as weighed, once all of it is on the scale', () => {
    const weighed = on(parts.map((part) => ({ ...part, weighedG: part.parts * 2 })))!.weighed!
    expect(weighed.grams).toBe(24)
    expect(weighed.actives[0]).toMatchObject({ name: 'panthenol', percent: 1.667 })
    const heavy = on(
      parts.map((part) => ({
        ...part,
        weighedG: part.productId === 'panthenol-drops' ? 4 : part.parts,
      })),
    )!.weighed!
    expect(heavy.faults.some((fault) => fault.kind === 'limit')).toBe(true)
  })
  test('nothing with one part or no amount', () =>
    expect([on(parts.slice(0, 1)), on(parts, 0)]).toEqual([undefined, undefined]))
})
