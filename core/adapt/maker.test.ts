import { describe, expect, test } from 'vitest'
import { SHELF } from '../../tests/fixtures'
import { around, dwell, has, history, planFor, step, warmth } from '../../tests/rules/build'
import { masked, useOf } from '../../tests/slips'
import { client, readingOf, seen, yes } from '../../tests/situations'
import { Product, type MakersWord } from '../catalog/model'
import type { Shelf } from '../catalog'
import { segment, type Segment } from '../protocol'

// What a maker prints always tightens, and loosens only what the law names (rules.md, law 15).

const SOURCE = { source: 'Leaflet, edition of March' }
const printed = (id: string, maker: Partial<MakersWord>, more: Partial<Product> = {}): Shelf => ({
  ...SHELF,
  products: SHELF.products.map((product) =>
    product.id === id ? { ...product, ...more, maker: { ...SOURCE, ...maker } } : product,
  ),
})
const ENZYME = 'pineapple-enzyme'
const times = (dwellMinutes: number | [number, number, number], off: Partial<Segment> = {}) => [
  segment('on', 'apply', 1.5),
  segment('dwell', 'dwell', dwellMinutes, { active: true, presence: 'room', admits: ['quiet'] }),
  segment('off', 'remove', 2, { tool: 'sponge', temperature: 'lukewarm', ...off }),
]
const on = (id: string, segments?: Segment[]) =>
  around(masked(id, useOf(id), segments ? { segments } : {}))
/** A client whose enzyme stands at the top. */
const CLIMBED = history([['enzyme', 4]])
const minutesOf = (plan: ReturnType<typeof planFor>) => (dwell(plan, 'mask') ?? 0) / 60
const rungOf = (plan: ReturnType<typeof planFor>) =>
  step(plan, 'mask')?.levers?.find(({ lever }) => lever === 'enzyme')?.rung

describe('minutes', () => {
  test.each([ENZYME, 'clay-mask', 'oat-mask'])('%s is on no longer than printed', (id) => {
    const long = { ...on(id, times([3, 10, 15])), ...CLIMBED }
    const shelf = printed(id, { minutes: { usual: 4, most: 5 } })
    const plan = planFor({ ...long, shelf })
    expect(step(plan, 'mask')?.product?.productId).toBe(id)
    expect(minutesOf(plan)).toBeLessThanOrEqual(5)
    expect(minutesOf(planFor(long))).toBeGreaterThan(5)
    for (const { maxS } of step(plan, 'mask')!.segments.filter(({ kind }) => kind === 'dwell'))
      expect(maxS).toBeLessThanOrEqual(300)
  })
  test('the rule is named, and what needs longer gives way to another or goes', () => {
    const shelf = printed('clay-mask', { minutes: { usual: 4, most: 5 } })
    const plan = planFor({ ...on('clay-mask', times([3, 10, 15])), shelf })
    expect(plan.changes.flatMap(({ why }) => why.map(({ ruleId }) => ruleId))).toContain('D26')
    const held = planFor({ ...on('clay-mask', times([8, 10, 12])), shelf })
    expect(step(held, 'mask')?.product?.productId).not.toBe('clay-mask')
  })
  test('an enzyme its maker gives longer is no stronger for it', () => {
    const long = { ...on(ENZYME, times([6, 12, 12])), ...CLIMBED }
    expect(rungOf(planFor(long))).toBe(4)
    expect(minutesOf(planFor(long))).toBe(8)
    const shelf = printed(ENZYME, { minutes: { usual: 12, most: 12 } })
    // One and a half of putting it on count: twelve in all.
    expect(minutesOf(planFor({ ...long, shelf }))).toBe(10.5)
    expect(rungOf(planFor({ ...long, shelf }))).toBe(4)
  })
  test('never longer for an acid: the table of strengths holds, and an enzyme with acid in it keeps its own', () => {
    const acids = history([['acid', 2]])
    const peel = { ...on('lactic-peel', times([1, 3, 3], { temperature: 'cool' })), ...acids }
    const long = { minutes: { usual: 15, most: 20 } }
    expect(minutesOf(planFor({ ...peel, shelf: printed('lactic-peel', long) }))).toBe(
      minutesOf(planFor(peel)),
    )
    const both = { actives: [{ name: 'lactic', percent: 2 }], pH: 3.8 }
    const given = {
      ...on(ENZYME, times([6, 12, 12])),
      ...history([
        ['enzyme', 4],
        ['acid', 1],
      ]),
    }
    const kept = planFor({ ...given, shelf: printed(ENZYME, {}, both) })
    const said = planFor({
      ...given,
      shelf: printed(ENZYME, { minutes: { usual: 12, most: 12 } }, both),
    })
    expect(minutesOf(said)).toBe(minutesOf(kept))
  })
  test('never past what health, allergies or the skin limit', () => {
    const shelf = printed('clay-mask', { minutes: { usual: 18, most: 20 } })
    const dry = { reading: readingOf(seen('dry', 2, ['cheek-left', 'forehead', 'chin'])) }
    const long = on('clay-mask', times([5, 15, 20]))
    expect(minutesOf(planFor({ ...long, ...dry, shelf }))).toBeLessThanOrEqual(8)
  })
})

describe('removal', () => {
  const STINGS: Partial<Product> = { properties: ['exfoliating', 'enzyme', 'stings'] }
  const warm = on(ENZYME, times([3, 5, 8], { temperature: 'warm' }))
  const offWith = (maker: Partial<MakersWord>, more: Partial<Product> = STINGS, given = {}) =>
    warmth(planFor({ ...warm, ...CLIMBED, ...given, shelf: printed(ENZYME, maker, more) }), 'mask')
  test('an enzyme comes off warm where its maker says so; else what stings comes off cool', () => {
    expect(offWith({})).toBe('cool')
    expect(offWith({ warmRemoval: true })).toBe('warm')
  })
  test('nobody but its maker says so: a tick on product or card counts for nothing', () => {
    const ticked: Partial<Product> = { properties: ['enzyme', 'stings', 'off-warm'] }
    expect(offWith({}, ticked)).toBe('cool')
  })
  test('warmth is never loosened for an acid, for what heats, or for skin that minds it', () => {
    const acid = { actives: [{ name: 'lactic', percent: 5 }], pH: 3.8 }
    expect(offWith({ warmRemoval: true }, acid)).not.toBe('warm')
    const heats: Partial<Product> = { properties: ['enzyme', 'warming'] }
    expect(offWith({ warmRemoval: true }, heats)).not.toBe('warm')
    const pigment = { reading: readingOf(seen('patchy-pigment', 2, ['cheek-left'])) }
    expect(offWith({ warmRemoval: true }, STINGS, pigment)).not.toBe('warm')
  })
  test('a maker who says “not warm” is heard', () => {
    const plain: Partial<Product> = { properties: ['exfoliating', 'enzyme'] }
    expect(offWith({}, plain)).toBe('warm')
    expect(offWith({ warmRemoval: false }, plain)).toBe('lukewarm')
  })
})

describe('on which skin (D03)', () => {
  const blotted = (maker: Partial<MakersWord>) =>
    has(
      planFor({ ...on(ENZYME), ...CLIMBED, shelf: printed(ENZYME, maker, { skin: 'dry' }) }),
      'mask+blot',
    )
  test('as printed, either way', () => {
    expect(blotted({})).toBe(true)
    expect(blotted({ skin: 'any' })).toBe(false)
    const dry = planFor({ ...on(ENZYME), ...CLIMBED, shelf: printed(ENZYME, { skin: 'dry' }) })
    expect(has(dry, 'mask+blot')).toBe(true)
  })
})

describe('days between (E01)', () => {
  test('a plan says what its makers print, so that the next visit knows', () => {
    const plan = planFor({ ...on(ENZYME), ...CLIMBED, shelf: printed(ENZYME, { daysBetween: 21 }) })
    expect(plan.levers.find(({ lever }) => lever === 'enzyme')?.makerDays).toBe(21)
  })
  const weekAgo = (rung: number, makerDays?: number) => ({
    ...on('lactic-peel'),
    client: client([yes('resilient')]),
    history: [
      {
        on: '2026-11-16',
        levers: [{ lever: 'acid' as const, rung, ...(makerDays ? { makerDays } : {}) }],
        answer: null,
      },
    ],
  })
  test('fewer up to the second rung, never above', () => {
    expect(has(planFor(weekAgo(2)), 'mask')).toBe(false)
    expect(has(planFor(weekAgo(2, 7)), 'mask')).toBe(true)
    expect(has(planFor(weekAgo(3, 7)), 'mask')).toBe(false)
    expect(has(planFor(weekAgo(2, 30)), 'mask')).toBe(false)
  })
})

test('nothing counts without its source', () => {
  const product = SHELF.products[0]!
  const says = (maker: object) => Product.safeParse({ ...product, maker }).success
  expect(says({ ...SOURCE, minutes: { usual: 8, most: 10 } })).toBe(true)
  expect(says({ minutes: { usual: 8, most: 10 } })).toBe(false)
  expect(says({ source: '  ', daysBetween: 7 })).toBe(false)
  expect(says({ ...SOURCE, minutes: { usual: 12, most: 10 } })).toBe(false)
})
