import { describe, expect, test } from 'vitest'
import { CLARIFYING, SHELF } from '~~/tests/fixtures'
import { productsFor, setProduct } from '#core/catalog'
import {
  dropAt,
  duplicateSteps,
  insertAfter,
  moveMany,
  moveStep,
  removeSteps,
  setField,
  setLimit,
  setMinutes,
  setMovements,
} from './edit'

const { steps } = CLARIFYING
const ids = (list: readonly { id: string }[]) => list.map((step) => step.id)
const step = (id: string) => steps.find((step) => step.id === id)!
const usual = (id: string, part: string, minutes: number) =>
  setMinutes(step(id), part, minutes).segments.find((segment) => segment.id === part)!

describe('moving a step', () => {
  test('one place, and back again', () => {
    const down = moveStep(steps, 3, 1)
    expect(ids(down).slice(3, 5)).toEqual([steps[4]!.id, steps[3]!.id])
    expect(moveStep(down, 4, -1)).toEqual(steps)
  })
  test.each([
    [0, -1],
    [steps.length - 1, 1],
    [99, 1],
  ] as const)('at the ends nothing changes: %i by %i', (at, by) =>
    expect(moveStep(steps, at, by)).toEqual(steps),
  )
})

describe('minutes', () => {
  test('hands-on limits give way to what is written', () => {
    expect(usual('extract', 'work', 20)).toMatchObject({ usualS: 1200, maxS: 1200, minS: 120 })
    expect(usual('extract', 'work', 1)).toMatchObject({ usualS: 60, minS: 60, maxS: 900 })
  })
  test('a dwell stays within its own limits: the maximum is a safety limit', () => {
    const { minS, maxS } = usual('clay', 'dwell', 10)
    expect(usual('clay', 'dwell', 60)).toMatchObject({ usualS: maxS, maxS })
    expect(usual('clay', 'dwell', 0)).toMatchObject({ usualS: minS, minS })
  })
  test('what is no number, or no segment, changes nothing', () => {
    expect(setMinutes(step('clay'), 'dwell', NaN)).toEqual(step('clay'))
    expect(setMinutes(step('clay'), 'nothing', 5)).toEqual(step('clay'))
  })
})

describe('another product', () => {
  test('only those with a use in this phase, on one of its zones', () => {
    const names = productsFor(step('tone-1'), SHELF.products).map(
      (product) => product.pick.productId,
    )
    expect(names).toEqual(expect.arrayContaining(['rose-toner', 'chamomile-toner']))
    for (const id of names)
      expect(
        SHELF.products
          .find((product) => product.id === id)!
          .uses.some((use) => use.phase === 'tone'),
      ).toBe(true)
    expect(productsFor({ ...step('tone-1'), zones: ['feet'] }, SHELF.products)).toEqual([])
  })
  test('brings its own times and way off, and keeps the zones it may touch', () => {
    const oat = setProduct(step('clay'), { productId: 'oat-mask', useId: 'mask' }, SHELF.products)
    expect([oat.title, oat.zones, oat.segments.at(-1)!.tool]).toEqual([
      'Oat Soothing Mask',
      step('clay').zones,
      'towel',
    ])
  })
  test('an unknown product changes nothing', () =>
    expect(setProduct(step('clay'), { productId: 'none', useId: 'mask' }, SHELF.products)).toEqual(
      step('clay'),
    ))
})

describe('several steps at once', () => {
  const first = steps.slice(0, 5)
  const [a, b, c, d, e] = ids(first) as [string, string, string, string, string]
  test('they move together and stop at the ends', () => {
    expect(ids(moveMany(first, [a, c], 1))).toEqual([b, a, d, c, e])
    expect(moveMany(first, [a, c], -1)).toEqual(first)
    expect(moveMany(first, [], 1)).toEqual(first)
  })
  test('dragged, what is picked comes along in its own order', () => {
    expect(ids(dropAt(first, [b, c, d, a, e], a, [a]))).toEqual([b, c, d, a, e])
    expect(ids(dropAt(first, [b, c, d, a, e], a, [a, b]))).toEqual([c, d, a, b, e])
    expect(dropAt(first, [a, b], a, [a])).toEqual(first)
  })
  test('put in, taken out with what closes it, copied under new ids', () => {
    expect(ids(insertAfter(first, b, { ...first[0]!, id: 'new' }))).toEqual([a, b, 'new', c, d, e])
    expect(ids(insertAfter(first, 'nobody', { ...first[0]!, id: 'new' })).at(-1)).toBe('new')
    expect(ids(removeSteps(steps, ['cleanse-2']))).not.toContain('tone-1')
    const { steps: now, copies } = duplicateSteps(first, [a, b])
    expect(ids(now)).toEqual([a, b, ...copies, c, d, e])
    expect(new Set(ids(now)).size).toBe(7)
  })
})

describe('limits of a segment give way, so that they never decrease', () => {
  const dwell = (of: (typeof steps)[number]) => {
    const part = of.segments.find((part) => part.id === 'dwell')!
    return [part.minS, part.usualS, part.maxS].map((seconds) => seconds / 60)
  }
  test.each([
    ['minS', 14, [12, 12, 12]],
    ['minS', 4, [4, 10, 12]],
    ['maxS', 6, [6, 6, 6]],
    ['maxS', 20, [8, 10, 20]],
    ['usualS', 15, [8, 12, 12]],
    ['usualS', 3, [8, 8, 12]],
  ] as const)('%s to %i minutes', (which, minutes, expected) =>
    expect(dwell(setLimit(step('clay'), 'dwell', which, minutes))).toEqual(expected),
  )
  test('no part is longer than four hours, nor shorter than nothing', () => {
    expect(dwell(setLimit(step('clay'), 'dwell', 'maxS', 9999))[2]).toBe(240)
    expect(dwell(setLimit(step('clay'), 'dwell', 'usualS', -5))[1]).toBe(8)
  })
  test('hands-on work gives way', () =>
    expect(setLimit(step('scrub'), 'on', 'usualS', 9).segments[0]).toMatchObject({
      usualS: 540,
      maxS: 540,
    }))
  test('what is no number changes nothing', () =>
    expect(setLimit(step('clay'), 'dwell', 'usualS', Number.NaN)).toEqual(step('clay')))
})

test('movements set the minutes, a field can be taken away again', () => {
  const stroke = {
    id: 'm',
    path: 'brow',
    type: 'friction',
    repetitions: 10,
    pressure: 'light',
    secondsEach: 6,
    sides: 'each',
    with: 'hands',
  } as const
  const massage = setMovements(step('scrub'), [stroke])
  expect(massage.segments[0]!.usualS).toBe(120)
  expect(setMovements(massage, []).movements).toBeUndefined()
  expect(setField(setField(step('scrub'), 'group', 'g'), 'group', undefined)).toEqual(step('scrub'))
})
