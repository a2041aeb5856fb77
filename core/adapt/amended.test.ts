import { describe, expect, test } from 'vitest'
import { ACID, SHELF } from '../../tests/fixtures'
import { applyMethod } from '../compose'
import { around, day, has, planFor, product, scope, TOUGH, work } from '../../tests/rules/build'
import { client, protocolOf, readingOf, seen } from '../../tests/situations'
import { CHEEKS, FACE_NECK } from '../skin'
import type { Step } from '../protocol'

// Rules that were too strict or too mild as they stood, each as a practitioner would object to it. Common practice, no source.

const [cleanse, ...finish] = day
const BLADE = work(['blade'], { phase: 'exfoliate', zones: [...CHEEKS] })
const card = (...steps: Step[]) => protocolOf(cleanse!, ...steps, ...finish)
const withSun = (id: string): Step[] =>
  finish.map((step) =>
    step.id === 'sun' ? { ...step, product: { productId: id, useId: sunUse(id) } } : step,
  )
const sunUse = (id: string) => SHELF.products.find((known) => known.id === id)!.uses[0]!.id

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
