import { describe, expect, test } from 'vitest'
import { ACID, BRIGHTENING, CLARIFYING, CARDS, SHELF } from '../../tests/fixtures'
import { around, day, has, lever, planFor, rungs, step, x } from '../../tests/rules/build'
import { client, input, no, protocolOf, readingOf, seen, TODAY, yes } from '../../tests/situations'
import { segment, lint } from '../protocol'
import { EYES, FACE, FACE_NECK, type ZoneId } from '../skin'
import { suggest } from '../climb'
import { place } from '../schedule'
import { compile, mend, placingOf, type FittedPlan } from '.'

import { cast, masked, read, touching, useOf } from '../../tests/slips'
// What was once seen to slip past the rule book, each as it was found. Facts of the trade: common practice, no source.

test('6. needling three days ago in this salon stops an acid today', () => {
  const history = [{ on: '2026-11-21', levers: [], answer: null, work: ['needling' as const] }]
  const plan = planFor({ protocol: ACID, history })
  expect(touching(plan, 'acid')).toEqual([])
  expect(plan.changes.flatMap(({ why }) => why.map(({ ruleId }) => ruleId)).join()).toContain('A16')
})

describe('7. every part of a step is seen', () => {
  test('an enzyme that is cleared does not clear the acid in it', () => {
    const both = cast('x', ['enzyme', 'acid', 'exfoliating'])
    const plan = planFor({
      ...around(both),
      client: client([yes('isotretinoin')], {
        clearances: [{ ruleId: 'A06', on: '2026-11-20', by: 'Somebody', note: '' } as never],
      }),
    })
    expect(touching(plan, 'acid')).toEqual([])
  })
  test('the third product of a lip enhancement counts: its allergen and its acid', () => {
    const lips = cast('lips', [], {
      phase: 'lip',
      zones: ['lips'],
      product: { productId: 'rowan-lip-oil', useId: useOf('rowan-lip-oil') },
      segments: [
        segment('oil', 'apply', 1),
        segment('peel', 'dwell', [1, 2, 3], {
          product: { productId: 'glycolic-peel', useId: useOf('glycolic-peel') },
        }),
        segment('off', 'remove', 1, { tool: 'sponge' }),
        segment('mask', 'apply', 2, {
          product: { productId: 'berry-lip-mask', useId: useOf('berry-lip-mask') },
        }),
      ],
    })
    expect(read(lips).levers.map(({ lever }) => lever)).toContain('acid')
    const plan = planFor({ ...around(lips), client: client([yes('isotretinoin')]) })
    expect(touching(plan, 'acid')).toEqual([])
    expect(has(plan, 'lips')).toBe(true)
  })
  test('a retinoid stands on the rung of its product, and none is no rung', () => {
    const night = masked('night-firm-mask', useOf('night-firm-mask'))
    expect(read(night).levers.find(({ lever }) => lever === 'retinoid')!.rung).toBeGreaterThan(0)
  })
})

describe('8. unknown is not no', () => {
  const unasked = (code: string) =>
    client([{ ...no(code), answer: 'unknown' as const }]).facts.filter((fact) => fact.code !== code)
  const peel = around(
    cast('x', [], {
      product: { productId: 'lactic-peel', useId: useOf('lactic-peel') },
      segments: [
        segment('on', 'apply', 1),
        segment('dwell', 'dwell', [1, 4, 6]),
        segment('off', 'remove', 1, { tool: 'sponge', temperature: 'cool' }),
      ],
    }),
  )
  test.each([
    ['diabetes', peel],
    ['melasma', x('steam')],
    ['shaved', peel],
    ['retinol', peel],
  ] as const)('%s not asked limits as a yes would', (code, given) => {
    const unknown = planFor({ ...given, client: { ...client(), facts: unasked(code) } })
    const said = planFor({ ...given, client: client([yes(code)]) })
    const rung = (plan: FittedPlan) => step(plan, 'x')?.levers?.[0]?.rung ?? 0
    expect(rung(unknown)).toBeLessThanOrEqual(rung(said))
    expect(rung(unknown)).toBeLessThan(rung(planFor(given)))
  })
})

describe('9. every status is true', () => {
  test('what a card is for, left out: thinned, and said', () => {
    const plan = planFor({ protocol: ACID, client: client([yes('isotretinoin')]) })
    expect(plan.status).toBe('thinned')
    expect(plan.problems[0]).toContain('Without its main step today')
  })
  test('a cleanse and a finish are never called the treatment', () => {
    const plan = planFor(x('needling'))
    expect(plan.status).toBe('thinned')
    expect(plan.heart!.treats).toBe(false)
  })
  test.each(CARDS.map((card) => [card.name, card] as const))(
    '%s is never ready above its slot, at any length',
    (_name, protocol) => {
      for (const slotMinutes of [20, 30, 45, 60, 75, 90]) {
        const plan = compile(input({ protocol, slotMinutes }))
        expect(plan.status === 'ready' && plan.totalS > plan.slotS).toBe(false)
        if (plan.totalS > plan.slotS) expect(plan.fit?.kind).not.toBe('optimal')
      }
    },
  )
  test('nobody blots before nothing', () => {
    const blot = ACID.steps.find((one) => one.properties.includes('blotting'))!
    const plan = planFor({ protocol: ACID, client: client([yes('isotretinoin')]) })
    expect(has(planFor({ protocol: ACID }), blot.id)).toBe(true)
    expect(has(plan, blot.id)).toBe(false)
  })
  test('nothing is extracted that nothing has softened', () => {
    const plan = planFor({
      protocol: CLARIFYING,
      client: client([yes('pregnancy')]),
      reading: readingOf(seen('congestion'), seen('barrier', 1, ['chin'])),
    })
    const at = plan.steps.findIndex((one) => read(one).properties.has('extraction'))
    const softened = plan.steps
      .slice(0, Math.max(0, at))
      .some((one) =>
        (['softening', 'exfoliating', 'steam', 'warm-towel'] as const).some((property) =>
          read(one).properties.has(property),
        ),
      )
    expect(at === -1 || softened).toBe(true)
  })
  test('a blade that could go on the forehead alone stays in its box; with one cheek less it goes on', () => {
    const bladed = (zones: readonly ZoneId[]) =>
      planFor({
        protocol: protocolOf(day[0]!, cast('x', ['blade'], { phase: 'exfoliate' })),
        reading: readingOf(seen('inflamed', 2, zones)),
        daytime: false,
        practitioner: { scope: ['minors', 'blade'], hazards: [] },
      })
    expect(has(bladed(FACE_NECK.filter((zone) => zone !== 'forehead')), 'x')).toBe(false)
    expect(has(bladed(['cheek-left']), 'x')).toBe(true)
  })
})

describe('10. rungs across visits', () => {
  const visit = (on: string, lever: 'acid' | 'enzyme', rung: number) => ({
    on,
    levers: [{ lever, rung }],
    answer: {
      rednessOf4: 0,
      stingingOf10: 0,
      durationHours: 0,
      blisters: false,
      swelling: false,
      weeping: false,
      burn: false,
      darkMark: false,
      coldSore: false,
    } as never,
  })
  test('the highest rung says stay, and leaves the rise of the visit to the next lever', () => {
    const found = suggest(
      [
        { lever: 'acid', rung: 4 },
        { lever: 'enzyme', rung: 4 },
      ],
      ['2026-08-20', '2026-09-24', '2026-10-24'].flatMap((on) => [
        {
          ...visit(on, 'acid', 4),
          levers: [
            { lever: 'acid' as const, rung: 4 },
            { lever: 'enzyme' as const, rung: 2 },
          ],
        },
      ]),
      TODAY,
      30,
    )
    expect(found.find(({ lever }) => lever === 'acid')!.move).toBe('hold')
    expect(found.find(({ lever }) => lever === 'enzyme')).toMatchObject({ move: 'up', rung: 3 })
  })
  test('after a gap nobody stands lower than a new client', () => {
    const gap = suggest(
      [{ lever: 'acid', rung: 4 }],
      [visit('2026-01-10', 'acid', 4)],
      TODAY,
      30,
    )[0]!
    const first = suggest([{ lever: 'acid', rung: 4 }], [], TODAY, 30)[0]!
    expect(gap.rung).toBeGreaterThanOrEqual(Math.min(4, first.rung))
  })
  test('a thinner stopped twenty days ago is history', () => {
    const stopped = (on: string) =>
      rungs(
        planFor({
          ...lever('suction', 3, 'suction'),
          client: client([yes('anticoagulant', { on })]),
        }),
      )
    expect(stopped('2026-11-20')).toBe(1)
    expect(stopped('2026-10-20')).toBe(3)
  })
})

describe('11. sheet, light and eye gel', () => {
  const sheet = masked('linen-sheet', useOf('linen-sheet'), { id: 'sheet', title: 'Sheet' })
  const panel = cast('panel', ['led'], {
    segments: [segment('set', 'apply', 0.5), segment('dwell', 'dwell', [8, 10, 12])],
    zones: [...FACE],
  })
  test('one touch lays an LED panel over the sheet it was written behind', () => {
    const steps = [day[0]!, sheet, panel]
    const finding = lint(steps.map(read), true).find(({ id }) => id === 'L33')!
    const mended = mend(finding, steps, SHELF, read)!
    const [after, over] = [steps, mended].map((some) => {
      const placing = place(placingOf(some))
      return 'makespanS' in placing ? placing.makespanS : 0
    })
    expect(over).toBeLessThan(after! - 300)
  })
  test('a tightening mask that leaves the eyes free asks for no eye gel, before or after', () => {
    const gel = BRIGHTENING.steps.find((one) => one.phase === 'eye')!
    const mask = cast('tight', ['tightening'], { phase: 'mask', zones: [...FACE] })
    const plan = planFor(around(mask, gel))
    expect(plan.steps.filter((one) => read(one).properties.has('eye-work'))).toHaveLength(1)
    expect(lint([day[0]!, mask, gel].map(read), true).map(({ id }) => id)).not.toContain('L09')
  })
  test('one that is kept over the eye contour gets a little gel before it, and the finishing care stays', () => {
    const gel = BRIGHTENING.steps.find((one) => one.phase === 'eye')!
    const mask = cast('tight', ['tightening'], { phase: 'mask', zones: [...FACE, ...EYES] })
    const override = { ruleId: 'C09', stepId: 'tight', reason: 'asked for', by: 'A', at: TODAY }
    const plan = planFor({ ...around(mask, gel), overrides: [override] })
    const at = plan.steps.findIndex((one) => one.id === 'tight')
    expect(plan.steps.slice(0, at).some((one) => read(one).properties.has('eye-work'))).toBe(true)
    expect(has(plan, gel.id)).toBe(true)
  })
})
