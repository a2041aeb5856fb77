import { visitOf } from '../../tests/person-visit'
import { cardOf as cardNamed, SHELF, BRIGHTENING, CARDS, make } from '../../tests/fixtures'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { compile } from '../adapt'
import { areaOf } from '../skin/areas'
import { FACE } from '../skin/zones'
import { apportion } from '../quantity'
import {
  composed,
  composedShelf,
  mixCards,
  settingAt,
  spreadDose,
  TOWEL,
  towelReadyInS,
  trayFor,
  withPartReplaced,
} from '.'

const { products } = SHELF
const by = (id: string) => products.find((product) => product.id === id)!

describe('working and setting time against water', () => {
  const alginate = { by: 'alginate', at: { celsius: 20, workingS: 240, setsS: 480 } } as const
  // Dental alginate practice (value from memory): about 6 s less a degree between 15 and 30 °C. Worked by hand from 4 min at 20 °C.
  test.each([
    [16, 264, 504],
    [20, 240, 480],
    [26, 204, 444],
    [15, 270, 510],
    [30, 180, 420],
  ])('at %s °C %s s to work, set after %s s', (celsius, workingS, setsS) =>
    expect(settingAt(alginate, celsius)).toEqual({ workingS, setsS, clamped: false }),
  )
  test.each([
    [5, 270],
    [45, 180],
  ])(
    '%s °C is outside what is known: the nearest known figure, and it says so',
    (celsius, workingS) =>
      expect(settingAt(alginate, celsius)).toMatchObject({ workingS, clamped: true }),
  )
  test('a maker’s table is straight between its rows', () => {
    const table = by('ember-set-mask').mixing!.sets
    expect([18, 19, 20, 22, 24].map((celsius) => settingAt(table, celsius)!.workingS)).toEqual([
      330, 315, 300, 265, 230,
    ])
    expect(settingAt(table, 30)).toEqual({ workingS: 230, setsS: 540, clamped: true })
    expect(settingAt(undefined, 20)).toBeUndefined()
  })
  test('warmer water never gives more time', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 }), (a, b) => {
        for (const sets of [alginate, by('ember-set-mask').mixing!.sets])
          expect(settingAt(sets, Math.max(a, b))!.workingS).toBeLessThanOrEqual(
            settingAt(sets, Math.min(a, b))!.workingS,
          )
      }),
    )
  })
})

describe('a towel out of the cabinet', () => {
  test('cools as Newton has it', () => {
    const seconds = towelReadyInS()
    const at = (s: number) =>
      TOWEL.roomC + (TOWEL.cabinetC - TOWEL.roomC) * Math.exp(-s / TOWEL.tauS)
    expect(at(seconds)).toBeLessThanOrEqual(TOWEL.targetC)
    expect(at(seconds - 1)).toBeGreaterThan(TOWEL.targetC)
  })
  test('stays within what skin may meet: 40 °C at the wrist, never above 43 (common practice), well below the burn thresholds', () => {
    // ISO 13732-1, bare hard surfaces (values from memory): 51 °C for a minute, 48 °C for ten, 43 °C for eight hours. A bound never to be passed, not a permission.
    const BURNS = [
      [60, 51],
      [600, 48],
      [8 * 3600, 43],
    ] as const
    expect([TOWEL.targetC, TOWEL.neverC]).toEqual([40, 43])
    for (const [, celsius] of BURNS) expect(TOWEL.targetC).toBeLessThan(celsius)
    for (const version of CARDS)
      for (const item of trayFor(version.steps, SHELF))
        if (item.readyInS !== undefined)
          expect(
            TOWEL.roomC + (TOWEL.cabinetC - TOWEL.roomC) * Math.exp(-item.readyInS / TOWEL.tauS),
          ).toBeLessThanOrEqual(TOWEL.targetC)
  })
  test('no wait when it is cool already; a room that warm has none', () => {
    expect(towelReadyInS({ ...TOWEL, cabinetC: 40 })).toBe(0)
    expect(() => towelReadyInS({ ...TOWEL, roomC: 41 })).toThrow('never cools')
  })
})

describe('whole parts', () => {
  test('add up exactly, near their share', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1_000_000 }),
        fc.array(fc.double({ min: 0, max: 1000, noNaN: true }), { minLength: 1, maxLength: 20 }),
        (total, weights) => {
          const parts = apportion(total, weights)
          expect(parts.reduce((a, b) => a + b, 0)).toBe(total)
          const sum = weights.reduce((a, b) => a + b, 0)
          if (sum > 0)
            for (const [at, part] of parts.entries())
              expect(Math.abs(part - (total * weights[at]!) / sum)).toBeLessThan(1 + 1e-6)
        },
      ),
    )
  })
  test.each([
    [1.5, [1]],
    [-1, [1]],
    [1, []],
    [1, [-1]],
    [1, [NaN]],
  ])('%s by %o is refused', (total, weights) =>
    expect(() => apportion(total, weights)).toThrow(RangeError),
  )
})

describe('an infusion dose over its zones', () => {
  test('4 mL in seventeen minutes last to the last zone: by area, nothing left, nothing missing', () => {
    const zones = ['forehead', 'cheek-left', 'cheek-right', 'chin'] as const
    const spread = spreadDose(4, 17 * 60, zones)
    expect(spread.map((dose) => dose.zone)).toEqual(zones)
    expect(spread.reduce((sum, dose) => sum + Math.round(dose.mL * 100), 0)).toBe(400)
    expect(spread.reduce((sum, dose) => sum + dose.seconds, 0)).toBe(1020)
    expect(spread[0]!.mL / spread[3]!.mL).toBeCloseTo(areaOf(['forehead']) / areaOf(['chin']), 1)
  })
  test('no zones, no dose; a zone without an area has its part too', () => {
    expect(spreadDose(4, 60, [])).toEqual([])
    expect(spreadDose(1, 10, ['scalp', 'hands'])).toEqual([
      { zone: 'scalp', mL: 0.5, seconds: 5 },
      { zone: 'hands', mL: 0.5, seconds: 5 },
    ])
  })
})

describe('a house mix as the shelf and the rules see it', () => {
  const shelf = composedShelf(SHELF)
  const mixed = (id: string) => shelf.products.find((product) => product.id === id)!
  test('ingredients, actives and stock follow from the parts; the scarcest says how much', () => {
    expect(mixed('oat-cocktail').inci).toContain('Avena Sativa Kernel Flour')
    expect(mixed('oat-cocktail').actives).toEqual([{ name: 'panthenol', percent: 1.667 }])
    expect(mixed('meadow-cocktail').stock).toBe(0)
    // 200 mL of drops hold 202.9 g, one part in twelve: 2 400 g; the mask, seven in twelve of 200 g, is the scarcest: 342.8.
    expect(mixed('oat-cocktail').stock).toBe(342.8)
  })
  test('a part without an ingredient list leaves the mix unread, a missing part leaves it without stock', () => {
    const unread = SHELF.products.map((product) => {
      if (product.id !== 'kaolin-powder') return product
      const { inci: _, ...bare } = product
      return bare
    })
    expect(composed(by('oat-cocktail'), unread).inci).toBeUndefined()
    const gone = composed(
      by('oat-cocktail'),
      products.filter((product) => product.id !== 'kaolin-powder'),
    )
    expect([gone.inci, gone.stock]).toEqual([undefined, 0])
  })
  test('hazards of any part count for the whole, good qualities only when claimed; the strictest way off wins', () => {
    const acid = make({
      id: 'm',
      name: 'M',
      kind: 'mask',
      uses: [],
      properties: ['calming'],
      recipe: {
        by: 'mass',
        parts: [
          { productId: 'oat-mask', parts: 9 },
          { productId: 'glycolic-peel', parts: 1 },
        ],
      },
    })
    const made = composed(acid, products)
    expect(made.properties).toEqual(
      expect.arrayContaining(['calming', 'acid', 'stings', 'needs-neutraliser', 'exfoliating']),
    )
    expect([made.emergencyOff, made.skin, made.pH, made.actives]).toEqual([
      'neutralise then rinse',
      'dry',
      undefined,
      [{ name: 'glycolic', percent: 2.5 }],
    ])
    const soft = composed(
      {
        ...acid,
        recipe: {
          by: 'mass',
          parts: [
            { productId: 'oat-cleanser', parts: 1 },
            { productId: 'reed-wash', parts: 1 },
          ],
        },
      },
      products,
    )
    expect(soft.properties).toContain('alkaline')
    expect(soft.properties).not.toContain('cleansing')
  })
  test('composing twice changes nothing, and a replaced part takes its hazards away with it', () => {
    expect(composedShelf(shelf)).toBe(shelf)
    for (const product of shelf.products) expect(composed(product, shelf.products)).toEqual(product)
    const bad = composedShelf(
      withPartReplaced(SHELF, 'oat-cocktail', 'panthenol-drops', 'glycolic-peel'),
    )
    expect(bad.products.find((product) => product.id === 'oat-cocktail')!.properties).toContain(
      'acid',
    )
    const good = composedShelf(
      withPartReplaced(bad, 'oat-cocktail', 'glycolic-peel', 'panthenol-drops'),
    )
    expect(good.products.find((product) => product.id === 'oat-cocktail')).toEqual(
      mixed('oat-cocktail'),
    )
  })
})

describe('mixing cards', () => {
  test('30 g of kelp powder with 90 mL of water at 20 °C: four minutes, and the hands need less', () => {
    const card = mixCards(BRIGHTENING.steps, SHELF).find((card) => card.stepId === 'kelp')!
    expect(card).toMatchObject({
      waterMl: 90,
      celsius: 20,
      times: { workingS: 240 },
      needS: 135,
      inTime: true,
    })
    expect(card.parts[0]).toMatchObject({ grams: 30, inHand: { words: '3 scoops' } })
  })
  test('its own water, its own size of face', () => {
    const [usual, warm, large] = [
      mixCards(BRIGHTENING.steps, SHELF),
      mixCards(BRIGHTENING.steps, SHELF, { kelp: 26 }),
      mixCards(BRIGHTENING.steps, SHELF, {}, 'L'),
    ].map((cards) => cards.find((card) => card.stepId === 'kelp')!)
    expect([usual!.times!.workingS, warm!.times!.workingS]).toEqual([240, 204])
    expect([large!.dose.amount, large!.waterMl]).toEqual([33.6, 100.8])
  })
  test('the schedule keeps the time the water leaves', () => {
    const plan = compile({
      ...visitOf('Wren Castellane', cardNamed('brightening')),
      prep: { size: 'M', waterC: { kelp: 30 }, standIns: {}, partStandIns: {} },
    })
    const [mix, on] = ['kelp/mix', 'kelp/on'].map((id) =>
      plan.segments.find((part) => part.id === id)!,
    )
    expect(on!.endS - mix!.endS).toBeLessThanOrEqual(180)
    expect(plan.steps.find((step) => step.id === 'kelp')!.segments[0]!.workingS).toBe(180)
  })
  test('a mix that must rest is mixed that much earlier, and never applied before it has rested', () => {
    const rested = {
      ...SHELF,
      products: products.map((product) =>
        product.id === 'rice-enzyme' || product.id === 'pineapple-enzyme'
          ? { ...product, mixing: { ...product.mixing, restS: 180 } }
          : product,
      ),
    }
    const ends = (shelf: typeof SHELF) => {
      const plan = compile({ ...visitOf('Wren Castellane', cardNamed('brightening')), shelf })
      return ['enzyme/mix', 'enzyme/on'].map((id) => plan.segments.find((part) => part.id === id)!)
    }
    const [mix, on] = ends(rested)
    expect(on!.startS - mix!.endS).toBeGreaterThanOrEqual(180)
    const [before, after] = ends(SHELF)
    expect(after!.startS - before!.endS).toBeLessThan(180)
  })
  test('zones of a face add up to the face', () =>
    expect(FACE.reduce((sum, zone) => sum + areaOf([zone]), 0)).toBeCloseTo(areaOf(FACE)))
})
