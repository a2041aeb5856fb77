import { describe, expect, test } from 'vitest'
import { around, day, has, planFor, pins, step } from '../../tests/rules/build'
import { client, protocolOf, readingOf, seen, yes } from '../../tests/situations'
import { segment, type LeverId, type Property, type Step } from '../protocol'
import { lint } from '../protocol'
import { hasLadder } from '.'

import { cast, masked, productAt, read, useOf, without, wrongs } from '../../tests/slips'
// What was once seen to slip past the rule book, each as it was found. Facts of the trade: common practice, no source.

describe('1. a replacement adds nothing', () => {
  test('a day cream that is out never becomes a night retinoid, by day or in the evening', () => {
    const shelf = without('dune-cream', 'scent-cream')
    for (const daytime of [true, false])
      expect(productAt(planFor({ shelf, daytime, history: [] }), 'cream')).not.toBe('night-cream')
  })
  // Nothing else of the kind is there: before, the one that is left stood in.
  test.each([
    ['clay-mask', 'ginger-warm'],
    ['kelp-set-mask', 'sea-silk-tight'],
    ['algae-two-part', 'ember-set-mask'],
    ['oat-mask', 'night-firm-mask'],
  ])('%s, out of stock, is not replaced by %s', (id, only) => {
    const isThere = (product: { id: string; kind: string }) =>
      product.kind !== 'mask' || product.id === only || product.id === id
    const { products, devices } = without(id)
    const shelf = { devices, products: products.filter(isThere) }
    const plan = planFor({ ...around(masked(id, useOf(id))), shelf })
    expect(has(plan, 'mask')).toBe(false)
    expect(plan.changes.find(({ stepId }) => stepId === 'mask')).toMatchObject({ kind: 'dropped' })
  })
})

describe('2. strength needs no lever on the card', () => {
  const bare = (properties: Property[], productId?: string): Step =>
    cast('x', properties, productId ? { product: { productId, useId: useOf(productId) } } : {})
  test.each([
    ['a glycolic peel', bare([], 'glycolic-peel'), 'acid'],
    ['an enzyme', bare([], 'pineapple-enzyme'), 'enzyme'],
    ['suction', bare(['suction']), 'suction'],
    ['steam', bare(['steam']), 'steam'],
    [
      'twelve minutes of extraction',
      { ...bare(['extraction']), segments: [segment('on', 'apply', 12)] },
      'extraction',
    ],
    ['a massage', { ...bare([]), phase: 'massage' as const }, 'pressure'],
    ['the tightening mask', masked('sea-silk-tight', useOf('sea-silk-tight')), 'enzyme'],
  ] as [string, Step, LeverId][])('%s carries its lever', (_what, one, lever) =>
    expect(read(one).levers.map((pulled) => pulled.lever)).toContain(lever),
  )
  test.each([
    ['pregnancy', [yes('pregnancy')], 'glycolic-peel'],
    ['isotretinoin', [yes('isotretinoin')], 'glycolic-peel'],
    ['a light-sensitising medicine', [yes('photosensitiser')], 'glycolic-peel'],
  ])('%s reaches a peel without a lever', (_what, facts, productId) => {
    const plan = planFor({ ...around(bare([], productId)), client: client(facts) })
    const peel = step(plan, 'x')
    expect(peel ? read(peel).levers.find(({ lever }) => lever === 'acid')!.rung : 0).toBeLessThan(2)
  })
  test('diabetes brings the 45-minute tightening mask to its lowest rung', () => {
    const plan = planFor({
      ...around(masked('sea-silk-tight', useOf('sea-silk-tight'))),
      client: client([yes('diabetes')]),
    })
    const mask = step(plan, 'mask')
    expect(mask ? read(mask).levers.find(({ lever }) => lever === 'enzyme')!.rung : 1).toBe(1)
  })
})

describe('3. a lowered rung reaches what it stands for', () => {
  const massage = cast('massage', [], {
    phase: 'massage',
    movements: [
      {
        id: 'a',
        path: 'throat-jaw',
        type: 'effleurage',
        repetitions: 8,
        pressure: 'firm',
        secondsEach: 5,
        sides: 'each',
        with: 'hands',
      },
    ],
  })
  test.each([['reduced-feeling'], ['sunburn']])('firm movements are softened by %s', (code) => {
    const plan = planFor({ ...around(massage), client: client([yes(code)]) })
    for (const one of plan.steps)
      expect(one.movements?.map(({ pressure }) => pressure) ?? []).not.toContain('firm')
  })
  test('40 % goes down with the rung of suction, and no old figure stays in words', () => {
    const jet = cast('jet', ['suction'], {
      passes: {
        zones: ['cheek-left', 'cheek-right'],
        pattern: 'line',
        times: 1,
        setting: { setting: 'vacuum', value: 40, unit: '%', from: 10, to: 80 },
      } as unknown as Step['passes'],
    })
    const plan = planFor({ ...around(jet), client: client([yes('anticoagulant')]) })
    const passes = step(plan, 'jet')?.passes
    expect(passes?.setting?.value ?? 0).toBeLessThan(40)
    expect(passes?.level ?? '').not.toContain('40')
  })
})

describe('4. a fitted ladder has no wrong order, whatever its card says', () => {
  const [cleanse, ...rest] = day
  const cream = rest.find((one) => one.id === 'cream')!
  const sun = rest.find((one) => one.id === 'sun')!
  test.each([
    ['a retinoid by day', [cleanse!, cast('night', ['retinoid'], { phase: 'serum' }), ...rest]],
    [
      'the moisturiser before the mask',
      [cleanse!, cream, masked('oat-mask', useOf('oat-mask')), sun],
    ],
    [
      'a scrub after the sun protection',
      [cleanse!, cream, sun, masked('bead-scrub', useOf('bead-scrub'), { phase: 'exfoliate' })],
    ],
    ['no cleanse', [masked('oat-mask', useOf('oat-mask')), cream, sun]],
  ])('%s', (_what, steps) => {
    const before = lint(steps.map(read), true).filter(({ level }) => level === 'wrong')
    const plan = planFor({
      protocol: protocolOf(...steps),
      practitioner: { scope: ['minors', 'blade'], hazards: [] },
    })
    expect(before.length).toBeGreaterThan(0)
    expect(hasLadder(plan), plan.problems.join(' ')).toBe(true)
    expect(wrongs(plan)).toEqual([])
  })
  test('a wet blade is blotted for, and stays', () => {
    const steps = [cleanse!, cast('blade', ['blade'], { phase: 'exfoliate' })]
    expect(lint(steps.map(read), false).map(({ id }) => id)).toContain('L13')
    const plan = planFor({
      protocol: protocolOf(...steps),
      daytime: false,
      practitioner: { scope: ['minors', 'blade'], hazards: [] },
    })
    expect(has(plan, 'blade')).toBe(true)
    expect(wrongs(plan)).toEqual([])
  })
})

describe('5. pins and zones', () => {
  test.each([['scrub'], ['blade'], ['needling'], ['mechanical']] as const)(
    'three pustules pinned on a cheek: no %s over them',
    (property) => {
      const plan = planFor({
        ...around(
          cast('x', [property, ...(property === 'needling' ? [] : (['exfoliating'] as const))]),
        ),
        ...pins('pustule', 'pustule', 'pustule'),
        practitioner: { scope: ['minors', 'blade', 'needling'], hazards: [] },
      })
      expect(step(plan, 'x')?.zones ?? []).not.toContain('cheek-left')
    },
  )
  test('resilient skin on the chin frees no cheek', () => {
    const three = [
      cast('one', ['scrub', 'exfoliating']),
      cast('two', ['gommage', 'exfoliating']),
      cast('three', ['enzyme', 'exfoliating']),
    ]
    const plan = planFor({
      ...around(...three),
      reading: readingOf(seen('resilient', 1, ['chin'])),
    })
    const points = plan.steps
      .filter((one) => one.zones.includes('cheek-left'))
      .reduce((sum, one) => sum + read(one).points, 0)
    expect(points).toBeLessThanOrEqual(2)
  })
})
