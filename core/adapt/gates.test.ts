import { CHECKED, planFor, readingOf, seen } from '../../tests/situations'
import { CLARIFYING } from '../../tests/fixtures'
import { describe, expect, test } from 'vitest'
import { NOSE, type Reading } from '../skin'
import type { FittedPlan } from '.'

const UNREAD: Reading = { ...readingOf(), done: false }
const ids = (plan: FittedPlan) => plan.steps.map((step) => step.id)
const congested = readingOf(seen('congestion', 2, NOSE))

describe('the reading under the lamp', () => {
  test('until it is done the branch is open: perhaps on the tray, a range for the finish', () => {
    const plan = planFor({ protocol: CLARIFYING, reading: UNREAD })
    expect(plan.open).toMatchObject([
      {
        gateId: 'lamp',
        stepIds: ['extract', 'clearing'],
        words: 'if the lamp shows congestion or a lesion that is ready or ingrown hair',
      },
    ])
    expect(plan.leastTotalS).toBeLessThan(plan.totalS - 8 * 60)
    expect(new Set(plan.tray.filter((item) => item.perhaps).map((item) => item.stepId))).toEqual(
      new Set(['extract', 'clearing']),
    )
    expect(plan.segments.filter((part) => part.gate).map((part) => part.stepId)).toEqual(['lamp'])
  })
  test('done, and it shows what is wanted: the branch stays and nothing is open', () => {
    const plan = planFor({ protocol: CLARIFYING, reading: congested })
    expect([ids(plan).includes('extract'), plan.open, plan.leastTotalS]).toEqual([
      true,
      [],
      plan.totalS,
    ])
    expect(plan.tray.some((item) => item.perhaps)).toBe(false)
    expect(plan.segments.some((part) => part.gate)).toBe(false)
  })
  test('done, and it does not: the group falls away together, with its reason', () => {
    const plan = planFor({ protocol: CLARIFYING, reading: readingOf() })
    expect(ids(plan)).not.toContain('extract')
    expect(ids(plan)).not.toContain('clearing')
    expect(plan.changes.find((change) => change.stepId === 'extract')!.why[0]).toMatchObject({
      ruleId: 'S03',
      reason: 'The reading shows no congestion or a lesion that is ready or ingrown hair.',
    })
  })
  test('a lesion that is ready on the map is enough; one to leave alone is not', () => {
    const pin = (decision: 'ready' | 'leave') => ({
      id: 'a',
      view: 'front' as const,
      x: 0.5,
      y: 0.5,
      zone: 'chin' as const,
      type: 'pustule' as const,
      painful: false,
      deep: false,
      head: true,
      decision,
    })
    expect(ids(planFor({ reading: { ...readingOf(), lesions: [pin('ready')] } }))).toContain(
      'extract',
    )
    expect(ids(planFor({ reading: { ...readingOf(), lesions: [pin('leave')] } }))).not.toContain(
      'extract',
    )
  })
})

describe('a quick check behind the ear', () => {
  test('holds its product until it is answered', () => {
    const plan = planFor({ protocol: CHECKED, reading: congested })
    expect(plan.open).toMatchObject([{ gateId: 'check', stepIds: ['enzyme'] }])
    expect(plan.segments.filter((part) => part.gate).map((part) => part.id)).toEqual(['check/wait'])
  })
  test('calm: as fitted. Stings: that product is out today, another may stand in', () => {
    const answer = (check_: 'calm' | 'stings') =>
      planFor({ protocol: CHECKED, reading: congested, gates: { check: check_ } })
    const product = (plan: FittedPlan) =>
      plan.steps.find((step) => step.id === 'enzyme')?.product?.productId
    expect([product(answer('calm')), answer('calm').open]).toEqual(['pineapple-enzyme', []])
    expect(product(answer('stings'))).toBe('rice-enzyme')
    expect(
      answer('stings')
        .changes.find((change) => change.stepId === 'enzyme')!
        .why.map((why) => why.ruleId),
    ).toContain('B05')
  })
})
