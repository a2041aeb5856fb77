import { describe, expect, test } from 'vitest'
import { ACID, SHELF } from '../../tests/fixtures'
import { applyMethod } from '../compose'
import {
  around,
  day,
  has,
  minds,
  planFor,
  product,
  retinoidNight,
  read,
  scope,
  shelfOf,
  using,
  TOUGH,
  work,
} from '../../tests/rules/build'
import { CALM, client, protocolOf, readingOf, seen, yes } from '../../tests/situations'
import { CHEEKS, FACE_NECK } from '../skin'
import { segment, type Step } from '../protocol'

// Rules that were too strict or too mild as they stood, each as a practitioner would object to it. Common practice, no source.

const [cleanse, ...finish] = day
const BLADE = work(['blade'], { phase: 'exfoliate', zones: [...CHEEKS] })
const card = (...steps: Step[]) => protocolOf(cleanse!, ...steps, ...finish)
const withSun = (id: string): Step[] =>
  finish.map((step) =>
    step.id === 'sun' ? { ...step, product: { productId: id, useId: sunUse(id) } } : step,
  )
const sunUse = (id: string) => SHELF.products.find((known) => known.id === id)!.uses[0]!.id

const PASSED = {
  kind: 'delayed',
  zone: 'ears',
  placedOn: '2026-11-18',
  readOn: '2026-11-20',
  result: 'calm',
} as const
const needles = (depthMm?: number): Step =>
  work(['needling'], {
    heart: true,
    priority: 5,
    zones: [...CHEEKS],
    tray: ['sterile single-use tip'],
    ...(depthMm
      ? {
          passes: {
            zones: [...CHEEKS],
            pattern: 'side to side',
            times: 1,
            setting: { setting: 'depth', value: depthMm, unit: 'mm', from: 0.1, to: 1 },
          },
        }
      : {}),
  })

describe('needling on normal skin (C15)', () => {
  const isDone = (depthMm?: number, given = {}) =>
    has(planFor({ ...around(needles(depthMm)), ...scope('needling'), ...given }), 'x')
  test('shallow is two points, which normal skin takes; deeper, or nobody knows how deep, is three', () => {
    expect(isDone(0.25)).toBe(true)
    expect(isDone(0.5)).toBe(false)
    expect(isDone()).toBe(false)
    expect(isDone(0.5, TOUGH)).toBe(true)
  })
  test('and it is alone: no other exfoliation beside it', () => {
    const scrub = work(['scrub', 'exfoliating'], {
      id: 'y',
      phase: 'exfoliate',
      zones: [...CHEEKS],
    })
    const plan = planFor({ ...around(scrub, needles(0.25)), ...scope('needling') })
    expect([has(plan, 'x'), has(plan, 'y')]).toEqual([true, false])
  })
})

describe('retinoid and acid in one visit (C15r, C15a)', () => {
  const CALM_TWICE = ['2026-10-01', '2026-11-01']
  const visits = (levers: readonly ('acid' | 'retinoid')[], answer: Partial<typeof CALM> = {}) =>
    CALM_TWICE.map((on) => ({
      ...{ on, answer: { ...CALM, ...answer } },
      levers: levers.map((lever) => ({ lever, rung: 2 })),
    }))
  const reason = { ruleId: 'C15n', stepId: 'z', reason: 'Asked for it, and knows it', by: 'Ilse' }
  const isKept = (given: object) => has(planFor({ ...retinoidNight(1), ...given }), 'z')

  test('with a reason beyond two points, where each has two calm visits', () => {
    const history = visits(['acid', 'retinoid'])
    expect(isKept({ history })).toBe(false)
    expect(isKept({ history, overrides: [reason] })).toBe(true)
  })
  test('a reason alone is not enough, on resilient skin neither', () => {
    const short = [
      [],
      visits(['acid']),
      visits(['retinoid']),
      visits(['acid', 'retinoid']).slice(1),
    ]
    const strong = visits(['acid', 'retinoid'], { redness: 3, rednessHours: 72 })
    const long = visits(['acid', 'retinoid']).map((past, at) => ({
      ...past,
      on: `2026-0${at + 5}-01`,
    }))
    for (const history of [...short, strong, long]) {
      expect(isKept({ history, overrides: [reason] })).toBe(false)
      expect(isKept({ history, overrides: [reason], ...TOUGH })).toBe(false)
    }
  })
  test('two points on normal skin need neither', () => {
    expect(has(planFor({ ...retinoidNight(0), history: [] }), 'z')).toBe(true)
  })
  test('no reason opens the rule itself', () => {
    for (const ruleId of ['C15r', 'C15'])
      expect(isKept({ history: [], overrides: [{ ...reason, ruleId }] })).toBe(false)
  })
  test('sensitive skin takes the one or the other, tested, never both', () => {
    const serum = using('night', ['retinoid'])
    const given = {
      ...shelfOf(
        { id: 'night', properties: ['retinoid'] },
        {
          id: 'wash',
          properties: ['acid', 'exfoliating'],
          actives: [{ name: 'lactic', percent: 2 }],
          pH: 4,
        },
      ),
      ...read(seen('sensitive', 1, FACE_NECK)),
      client: {
        ...client(),
        patchTests: ['night', 'wash'].map((productId) => ({ ...PASSED, productId })),
      },
      daytime: false,
    }
    const cleanser: Step = {
      ...using('wash', ['acid', 'exfoliating']),
      id: 'y',
      phase: 'second-cleanse',
      segments: [segment('on', 'apply', 1), segment('off', 'remove', 1)],
    }
    const kept = (...steps: Step[]) => {
      const plan = planFor({ ...given, ...around(...steps) })
      return ['x', 'y'].filter((id) => has(plan, id))
    }
    expect(kept(serum)).toEqual(['x'])
    expect(kept(cleanser)).toEqual(['y'])
    expect(kept(cleanser, serum)).toHaveLength(1)
  })
})

describe('sun protection that should rather be replaced (D17, B-salicylates-sun)', () => {
  const allergic = (reacted: boolean) => ({
    client: {
      ...client([yes('allergy:salicylates')]),
      memories: reacted
        ? [{ productId: 'open-cover', memory: 'reacted' as const, on: '2026-10-01' }]
        : [],
    },
    ...without('sun-veil'),
  })
  const without = (id: string) => ({
    shelf: {
      ...SHELF,
      products: SHELF.products.map((one) => (one.id === id ? { ...one, stock: 0 } : one)),
    },
  })
  test('the written one is out: what holds no salicylate first, else the weak one with a caution, never none', () => {
    expect(product(planFor(allergic(false)), 'sun')).toBe('open-cover')
    const plan = planFor(allergic(true))
    expect(product(plan, 'sun')).toBe('sun-fluid')
    expect(minds(plan)).toContain('Another sun protection if there is one; else watch.')
  })
})

describe('dermaplaned skin is fresh, not open (D18)', () => {
  test('by day it gets its cream and its mineral protection', () => {
    const plan = planFor({ protocol: card(BLADE), ...scope('blade') })
    expect(has(plan, 'x')).toBe(true)
    expect(has(plan, 'cream')).toBe(true)
    expect(product(plan, 'sun')).toBe('sun-veil')
  })
  test('a filter that is not mineral gives way to one that is', () => {
    const protocol = protocolOf(cleanse!, BLADE, ...withSun('sun-fluid'))
    const plan = planFor({ protocol, ...scope('blade') })
    expect(has(plan, 'x')).toBe(true)
    expect(['sun-veil', 'open-cover']).toContain(product(plan, 'sun'))
    expect(
      planFor({ protocol: protocolOf(cleanse!, ...withSun('sun-fluid')) }).steps,
    ).toContainEqual(
      expect.objectContaining({ product: { productId: 'sun-fluid', useId: sunUse('sun-fluid') } }),
    )
  })
  test('nothing that works on it afterwards; needled skin takes only what is made for it', () => {
    const enzyme = work(['enzyme', 'exfoliating'], { id: 'y', phase: 'mask' })
    const after = planFor({ protocol: card(BLADE, enzyme), ...scope('blade') })
    expect(has(after, 'x') && has(after, 'y')).toBe(false)
    const needled = planFor({ ...around(needles(0.25)), ...scope('needling') })
    expect(has(needled, 'x')).toBe(true)
    const cream = needled.steps.find(({ id }) => id === 'cream')
    expect(cream?.zones ?? []).not.toContain(CHEEKS[0])
  })
})

describe('steam before an acid is a switch (D06)', () => {
  const acidCard = protocolOf(
    ...ACID.steps.filter((step) => step.gate === undefined && step.closes === undefined),
  )
  const switched = (school: string) =>
    protocolOf(...applyMethod(acidCard.steps, 'steam-acid', school, SHELF).steps)
  const steamOf = (plan: ReturnType<typeof planFor>) =>
    plan.steps.find(({ properties }) => properties.includes('steam-cooled'))
  const cooled = switched('cooled')
  const bare = { client: client(), ...TOUGH }
  test('switched on it comes first, ten minutes and cold lie between, and the acid stands a rung lower', () => {
    const plan = planFor({ protocol: cooled, ...bare })
    const ids = plan.steps.map(({ id }) => id)
    const steam = steamOf(plan)!
    const cold = plan.steps.find(({ closes }) => closes === steam.id)!
    expect(ids.indexOf(steam.id)).toBeLessThan(ids.indexOf(cold.id))
    expect(ids.indexOf(cold.id)).toBeLessThan(ids.indexOf('peel'))
    const rung = (card: typeof cooled) => card.steps.find(({ id }) => id === 'peel')!.lever!.rung
    expect(rung(cooled)).toBe(rung(acidCard) - 1)
    expect(switched('none').steps).toEqual(acidCard.steps)
  })
  test('without the cold, or after the acid, it goes; and on skin that flushes or marks', () => {
    const without = protocolOf(...cooled.steps.filter(({ title }) => !title.startsWith('Cool')))
    expect(steamOf(planFor({ protocol: without, ...bare }))).toBeUndefined()
    const steam = cooled.steps.find(({ properties }) => properties.includes('steam-cooled'))!
    const rest = cooled.steps.filter((step) => step !== steam)
    const at = rest.findIndex(({ id }) => id === 'peel')
    const after = protocolOf(...rest.slice(0, at + 1), steam, ...rest.slice(at + 1))
    const both = planFor({ protocol: after, ...bare })
    expect(steamOf(both) !== undefined && has(both, 'peel')).toBe(false)
    for (const kind of ['flushing', 'marks'] as const) {
      const reading = readingOf(seen('resilient', 1, FACE_NECK), seen(kind, 2, ['cheek-left']))
      expect(
        steamOf(planFor({ protocol: cooled, client: client(), reading })),
        kind,
      ).toBeUndefined()
    }
  })
})
