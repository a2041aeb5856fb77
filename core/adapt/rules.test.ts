import { shelfOf, at, around, read, who } from '../../tests/rules/build'
import { FAMILY_CASES } from '../../tests/rules/tables/families'
import { ACID, SHELF } from '../../tests/fixtures'
import { FIRES } from '../../tests/rules/tables/fires'
import { describe, expect, test } from 'vitest'
import { client, input, protocolOf, seen, TODAY, yes } from '../../tests/situations'
import { FAMILIES, type Family } from '../catalog'
import type { PatchTest } from '../client'
import { subjectReader } from '../strength'
import { RULE_BOOK, touches } from '../safety'
import { FACE } from '../skin'
import { constraintsFor, hasLadder, type FittedPlan } from '.'
import { planFor, has, product, minds, of, on, using, type Given } from '../../tests/rules/build'
import { QUIET } from '../../tests/rules/tables/quiet'

const ELSEWHERE_SHOWN = new Set(['H08'])

/** The rule changed the ladder, or stands over a step of it, or speaks in its words. */
function fired(given: Given, plan: FittedPlan, rule: string): boolean {
  const full = input(given)
  const reader = subjectReader(full.shelf, full.date)
  const steps = [...full.protocol.steps, ...plan.steps].map(reader)
  return (
    plan.changes.some((change) => change.why.some((why) => why.ruleId === rule)) ||
    plan.suggestions.some((suggestion) => suggestion.ruleIds.includes(rule)) ||
    plan.advice.some((why) => why.ruleId === rule) ||
    constraintsFor(full).inForce.some(
      (constraint) =>
        constraint.ruleId === rule && steps.some((subject) => touches(constraint, subject)),
    )
  )
}
/** Rules that are held by the schedule, by `insert` or by the screen: their case above shows them, and they leave no card. */

const SILENT = new Set(['D24', 'H02', 'E09', 'E10', 'E11'])

describe('fires', () => {
  test.each([...FIRES, ...FAMILY_CASES])('%s: %s', (rule, what, given, holds) => {
    const plan = planFor(given)
    expect(hasLadder(plan), `${rule}, ${what}: ${plan.problems.join(' ')}`).toBe(true)
    expect(fired(given, plan, rule) || SILENT.has(rule), `${rule} fires: ${what}`).toBe(true)
    expect(holds(plan), `${rule} does what it must: ${what}`).toBe(true)
  })
  test.each([
    ['A11', of(yes('infection')), 'Cold sore'],
    ['A23', { client: client([], { bornOn: '2010-01-01' }) }, 'Not of age'],
    ['A26', of(yes('unwell')), 'Uncontrolled'],
    ['A09s', of(yes('immune')), 'Slow healing'],
    ['A09s', of(yes('medicine:methotrexate')), 'clearance'],
    [
      'F08',
      {
        client: client([yes('guardian-consent', on('2026-11-01'))], { bornOn: '2010-01-01' }),
        practitioner: { scope: [], hazards: [] },
      },
      'minors',
    ],
  ] as const)('%s postpones the visit', (rule, given, words) => {
    const plan = planFor(given)
    expect(plan.status).toBe('postponed')
    expect(plan.problems.join(' ')).toContain(words)
    expect([plan.segments, fired(given, plan, rule)]).toEqual([[], true])
  })
})

// A situation in which a rule must be silent: the hazard elsewhere, past, cleared, or simply not there.

/** Held in every visit: nothing can switch them off, so that there is no quiet case. */
const ALWAYS_ON = new Set(['D15', 'D24', 'E09', 'E10', 'E11', 'H01', 'H02', 'H07', 'H08'])

describe('does not fire', () => {
  test.each(
    QUIET.flatMap(([rules, what, given]) =>
      rules.filter((rule) => !ALWAYS_ON.has(rule)).map((rule) => [rule, what, given] as const),
    ),
  )('%s: %s', (rule, what, given) => {
    const plan = planFor(given)
    expect(fired(given, plan, rule), `${rule} is quiet: ${what}`).toBe(false)
  })
  test('no allergy, no rule of family B speaks, whatever is on the shelf', () => {
    for (const family of FAMILIES as readonly Family[]) {
      const given = {
        ...shelfOf({ id: 'holds', inci: `Aqua, ${family.terms[0]}` }),
        ...around(using('holds')),
      }
      const plan = planFor(given)
      expect(
        RULE_BOOK.filter(
          (rule) => rule.id.startsWith(`B-${family.id}`) && fired(given, plan, rule.id),
        ),
      ).toEqual([])
    }
  })
})

test('every rule of the book has a case in which it fires, and one in which it must not', () => {
  const postponing = ['A11', 'A23', 'A26', 'A09s', 'F08']
  const fires = new Set([...FIRES, ...FAMILY_CASES].map(([rule]) => rule).concat(postponing))
  const quiet = new Set(QUIET.flatMap(([rules]) => rules))
  expect(
    RULE_BOOK.filter((rule) => !fires.has(rule.id) && !ELSEWHERE_SHOWN.has(rule.id)).map(
      (rule) => rule.id,
    ),
  ).toEqual([])
  expect(
    RULE_BOOK.filter(
      (rule) => rule.family !== 'B' && !quiet.has(rule.id) && !ALWAYS_ON.has(rule.id),
    ).map((rule) => rule.id),
  ).toEqual([])
})

describe('evidence', () => {
  test('a clearance lets a step in as a caution, until it ends', () => {
    const cleared = (until?: string) =>
      planFor({
        client: client([yes('peel-deep', on('2025-08-26'))], {
          clearances: [
            {
              clearance: 'A16-after',
              by: 'Dr Invented',
              on: '2026-11-01',
              ...(until ? { until } : {}),
            },
          ],
        }),
      })
    expect([has(cleared(), 'enzyme'), minds(cleared()).includes('Record the clearance')]).toEqual([
      true,
      true,
    ])
    expect(has(cleared('2026-11-23'), 'enzyme')).toBe(false)
    expect(has(cleared(TODAY), 'enzyme')).toBe(true)
  })
  test('guardian consent dated after the visit does not count', () =>
    expect(
      planFor({
        client: client([yes('guardian-consent', on('2026-11-25'))], { bornOn: '2010-01-01' }),
      }).status,
    ).toBe('postponed'))
  test('breathing trouble crosses to the other plant enzymes, whatever clearance there is', () => {
    const clearances = [{ clearance: 'B-pineapple-papaya', by: 'Dr Invented', on: '2026-11-01' }]
    const shelf = {
      ...SHELF,
      products: SHELF.products.filter((product) => product.id !== 'rice-enzyme'),
    }
    const enzyme = (reaction: 'rash' | 'breathing') =>
      product(
        planFor({
          shelf,
          client: client([yes('allergy:pineapple', { reaction })], { clearances }),
        }),
        'enzyme',
      )
    expect([enzyme('rash'), enzyme('breathing')]).toEqual(['papaya-enzyme', undefined])
  })
  test('a patch test that reacted never lets its product in again', () => {
    const both: PatchTest[] = [
      {
        productId: 'mandelic-peel',
        kind: 'delayed',
        zone: 'ears',
        placedOn: '2026-10-01',
        readOn: '2026-10-03',
        result: 'calm',
      },
      {
        productId: 'mandelic-peel',
        kind: 'quick',
        zone: 'ears',
        placedOn: '2026-11-01',
        readOn: '2026-11-01',
        result: 'reacted',
      },
    ]
    const mandelic = {
      protocol: protocolOf(
        ...ACID.steps.map((step) =>
          step.id === 'peel'
            ? { ...step, product: { productId: 'mandelic-peel', useId: 'peel' }, title: 'Mandelic' }
            : step,
        ),
      ),
      ...read(seen('sensitive', 1, FACE)),
    }
    expect(product(planFor({ ...mandelic, ...who({ patchTests: both }) }), 'peel')).not.toBe(
      'mandelic-peel',
    )
  })
  test('oil may touch the hair when the client says so', () =>
    expect(
      has(
        planFor({ ...at(['scalp'], 'oil'), ...of(yes('event', on(TODAY)), yes('hair-oil')) }),
        'x',
      ),
    ).toBe(true))
})
