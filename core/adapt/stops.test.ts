import { describe, expect, test } from 'vitest'
import { around, planFor, pins, work, x, type Given } from '../../tests/rules/build'
import type { Fact } from '../client'
import { client, input, no, readingOf, seen, TODAY, yes } from '../../tests/situations'
import { ACID, BRIGHTENING, CARDS } from '../../tests/fixtures'
import { EVERYTHING_AHEAD, PEOPLE_WITH_MUCH } from '../../tests/stops'
import { compile, pinnedStops } from '.'

// What is pinned while hands work: what a hand could still do wrong, and no more than three (rules.md, law 16).
const pinned = (given: Given) => {
  const plan = planFor(given)
  return pinnedStops(plan, EVERYTHING_AHEAD(plan))
}

describe('stops pinned in Perform', () => {
  test('never more than three, each of them among all of today’s', () => {
    for (const person of PEOPLE_WITH_MUCH)
      for (const protocol of CARDS) {
        const plan = compile(input({ ...person, protocol }))
        const shown = pinnedStops(plan, EVERYTHING_AHEAD(plan))
        expect(shown.length).toBeLessThanOrEqual(3)
        for (const words of shown)
          expect(
            plan.stops.some((stop) => words.includes(stop)),
            words,
          ).toBe(true)
      }
  })
  test('what the fit has settled is none: evening products, scope, the days between', () => {
    const night = {
      ...around(work(['evening-only'], { phase: 'serum' })),
      history: [{ on: '2026-11-20', levers: [], answer: null, work: ['needling' as const] }],
    }
    expect(planFor({ ...night, ...x('needling') }).stops.length).toBeGreaterThan(0)
    expect(pinned(night)).toEqual([])
  })
  test('a stop is one only where the card has something for it', () => {
    const pacemaker = { client: client([yes('implant-electronic')]) }
    expect(pinned({ ...x('current'), ...pacemaker })).toEqual([
      'No current: Electronic implant or sensor',
    ])
    expect(pinned({ ...x('calming'), ...pacemaker })).toEqual([])
  })
  test('a zone that is left out is named', () => {
    const chin = { reading: readingOf(seen('inflamed', 2, ['chin'])) }
    expect(pinned({ ...x('suction'), ...chin })).toEqual([
      'No suction on chin: Inflamed lesions, many in a zone',
    ])
  })
  test('a nodule and a referral: the hand is told what it must not do, not whom to send her to', () => {
    const plan = planFor({ ...x('mechanical', 'exfoliating'), ...pins('nodule', 'changed') })
    expect(plan.refer.map(({ ruleId }) => ruleId)).toEqual(expect.arrayContaining(['A27', 'C10']))
    expect(plan.handStops?.map(({ words }) => words).join()).not.toContain('physician')
  })
  test('an ingredient is in any bottle: pinned as long as anything is put on, behind what the card itself holds', () => {
    const allergic = client([
      { ...yes('allergy:pineapple'), reaction: 'breathing' },
      { ...yes('allergy:hydroquinone'), reaction: 'rash' },
    ])
    const plan = planFor({ protocol: BRIGHTENING, client: allergic })
    const all = EVERYTHING_AHEAD(plan)
    expect(pinnedStops(plan, all)[0]).toBe('No pineapple')
    expect(pinnedStops(plan, all)).toContain('No hydroquinone')
    expect([...pinnedStops(plan, new Set(['bye']))].sort()).toEqual([
      'No hydroquinone',
      'No pineapple',
    ])
    expect(pinnedStops(plan, new Set())).toEqual([])
  })
  test('what was left out is pinned until the ladder is past its place', () => {
    const plan = planFor({ protocol: ACID, client: client([yes('isotretinoin')]) })
    expect(plan.steps.some(({ id }) => id === 'peel')).toBe(false)
    const words = 'No exfoliation: Isotretinoin or acitretin within six months'
    const order = plan.written.steps.map(({ id }) => id)
    const kept = plan.steps.map(({ id }) => id).filter((id) => order.includes(id))
    const from = (id: string) =>
      new Set(kept.filter((other) => order.indexOf(other) >= order.indexOf(id)))
    expect(pinnedStops(plan, from('cleanse-2'))).toContain(words)
    expect(pinnedStops(plan, from('cream'))).not.toContain(words)
  })
  test('plans of an earlier engine show their first three', () => {
    const { handStops: _, ...plan } = planFor(x('current'))
    expect(pinnedStops({ ...plan, stops: ['a', 'b', 'c', 'd'] }, new Set())).toEqual([
      'a',
      'b',
      'c',
    ])
  })
})

describe('a referral is quiet once the client was told', () => {
  const mole: Fact = { ...yes('changed-lesion'), on: '2026-11-01', zones: ['chin'] }
  const plan = planFor({ client: client([mole]) })
  const [why] = plan.refer
  const told = { clearance: why!.toldAs!, by: 'Dr A, physician', on: '2026-11-10' }
  const withTold = (fact = mole, more = {}) =>
    planFor({ client: client([fact], { clearances: [{ ...told, ...more }] }) })
  test('until it is told', () => expect(why).not.toHaveProperty('told'))
  test('then it says who looks after it, and the zone stays left out all the same', () => {
    const after = withTold()
    expect(after.refer).toEqual([{ ...why, told: { by: 'Dr A, physician', on: '2026-11-10' } }])
    const omitting = { ...x('suction'), client: client([mole], { clearances: [told] }) }
    expect(planFor(omitting).steps.find(({ id }) => id === 'x')?.zones).not.toContain('chin')
  })
  test.each([
    ['another place', withTold({ ...mole, zones: ['forehead'] })],
    ['seen again later', withTold({ ...mole, on: '2026-11-20' })],
    ['the record has ended', withTold(mole, { until: '2026-11-12' })],
    ['told only later', withTold(mole, { on: '2026-12-01' })],
  ])('it is loud again when it changes: %s', (_, { refer }) => {
    expect(refer).toHaveLength(1)
    expect(refer[0]).not.toHaveProperty('told')
  })
  test('nobody is told of what is not so', () => {
    expect(planFor({ client: client([no('changed-lesion')]), date: TODAY }).refer).toEqual([])
  })
})
