import { describe, expect, test } from 'vitest'
import { CLARIFYING } from '../../demo/protocols'
import { DEMO_SHELF } from '../../demo/shelf'
import { productsFor, setProduct } from '../../core/catalog'
import { moveStep, setMinutes } from './edit'

const { steps } = CLARIFYING
const ids = (list: readonly { id: string }[]) => list.map((step) => step.id)
const step = (id: string) => steps.find((one) => one.id === id)!
const usual = (id: string, part: string, minutes: number) => setMinutes(step(id), part, minutes).segments.find((segment) => segment.id === part)!

describe('moving a step', () => {
  test('one place, and back again', () => {
    const down = moveStep(steps, 3, 1)
    expect(ids(down).slice(3, 5)).toEqual([steps[4]!.id, steps[3]!.id])
    expect(moveStep(down, 4, -1)).toEqual(steps)
  })
  test.each([[0, -1], [steps.length - 1, 1], [99, 1]] as const)('at the ends nothing changes: %i by %i', (at, by) => expect(moveStep(steps, at, by)).toEqual(steps))
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
    const names = productsFor(step('tone-1'), DEMO_SHELF.products).map((one) => one.pick.productId)
    expect(names).toEqual(expect.arrayContaining(['rose-toner', 'chamomile-toner']))
    for (const id of names) expect(DEMO_SHELF.products.find((product) => product.id === id)!.uses.some((use) => use.phase === 'tone')).toBe(true)
    expect(productsFor({ ...step('tone-1'), zones: ['feet'] }, DEMO_SHELF.products)).toEqual([])
  })
  test('brings its own times and way off, and keeps the zones it may touch', () => {
    const oat = setProduct(step('clay'), { productId: 'oat-mask', useId: 'mask' }, DEMO_SHELF.products)
    expect([oat.title, oat.zones, oat.segments.at(-1)!.tool]).toEqual(['Oat Soothing Mask', step('clay').zones, 'towel'])
  })
  test('an unknown product changes nothing', () => expect(setProduct(step('clay'), { productId: 'none', useId: 'mask' }, DEMO_SHELF.products)).toEqual(step('clay')))
})
