import { runs } from '../../tests/runs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import {
  client,
  input,
  planFor,
  protocolOf,
  readingOf,
  seen,
  TOLERATED,
  yes,
} from '../../tests/situations'
import { ACID, BRIGHTENING, CLARIFYING, CARDS, SHELF } from '../../tests/fixtures'
import { FAMILIES, familyById } from '../catalog'
import { QUESTIONS } from '../client'
import { lint } from '../protocol'

import { FACE_NECK, FINDING_KINDS } from '../skin'
import { freeAcidOf, subjectReader } from '../strength'
import { asProtocol, compile, constraintsFor, resolve } from '.'

const read = subjectReader(SHELF)
const codes = [
  ...QUESTIONS.map((question) => question.code).filter(
    (code) => !['infection', 'guardian-consent'].includes(code),
  ),
  ...FAMILIES.map((family) => `allergy:${family.id}`),
]
const situations = fc.record({
  protocol: fc.constantFrom(...CARDS),
  facts: fc.uniqueArray(fc.constantFrom(...codes), { maxLength: 4 }),
  kinds: fc.uniqueArray(fc.constantFrom(...FINDING_KINDS), { maxLength: 3 }),
  grade: fc.integer({ min: 1, max: 4 }),
  zones: fc.subarray([...FACE_NECK], { minLength: 1 }),
  first: fc.boolean(),
})
type Drawn = typeof situations extends fc.Arbitrary<infer T> ? T : never
const inputOf = ({ protocol, facts, kinds, grade, zones, first }: Drawn) =>
  input({
    protocol,
    client: client(facts.map((code) => yes(code, { zones: zones.slice(0, 2) }))),
    history: first ? [] : TOLERATED,
    reading: readingOf(...kinds.map((kind) => seen(kind, grade, zones))),
  })

describe('over random clients and skins', () => {
  test('resolving a plan gives the plan again', () => {
    fc.assert(
      fc.property(situations, (drawn) => {
        const given = inputOf(drawn)
        const constraints = constraintsFor(given)
        const once = resolve({ steps: given.protocol.steps, constraints, shelf: SHELF })
        if (once.kind !== 'resolved') return
        const twice = resolve({
          steps: asProtocol({ ...compile(given), steps: [...once.steps] }, given.protocol).steps,
          constraints,
          shelf: SHELF,
        })
        expect(twice.kind === 'resolved' && twice.steps).toEqual(once.steps)
      }),
      { numRuns: runs(400), seed: 21 },
    )
  })
  test('no plan is rejected by its own linter, and every limit over the visit is kept', () => {
    fc.assert(
      fc.property(situations, (drawn) => {
        const plan = compile(inputOf(drawn))
        if (plan.status !== 'ready' || plan.changes.some((change) => change.kind === 'unmet'))
          return
        const subjects = plan.steps.map(read)
        expect(lint(subjects, true).filter((finding) => finding.level === 'wrong')).toEqual([])
        for (const zone of FACE_NECK)
          expect(
            subjects
              .filter((subject) => subject.step.zones.includes(zone))
              .reduce((sum, subject) => sum + subject.points, 0),
          ).toBeLessThanOrEqual(3)
        for (const one of subjects.filter((subject) => subject.properties.has('exfoliating')))
          expect(
            drawn.kinds.includes('barrier') &&
              one.step.zones.some((zone) => drawn.zones.includes(zone)),
          ).toBe(false)
      }),
      { numRuns: runs(400), seed: 22 },
    )
  })
  test('deterministic', () => {
    fc.assert(
      fc.property(situations, (drawn) => {
        expect(compile(inputOf(drawn))).toEqual(compile(inputOf(drawn)))
      }),
      { numRuns: runs(40), seed: 23 },
    )
  })
  test('no stopped ingredient reaches the skin', () => {
    fc.assert(
      fc.property(situations, (drawn) => {
        const plan = compile(inputOf(drawn))
        const stopped = drawn.facts
          .filter((code) => code.startsWith('allergy:'))
          .map((code) => code.slice('allergy:'.length))
          .filter((id) => familyById.get(id)!.effect === undefined)
        for (const step of plan.steps)
          for (const family of stopped)
            expect(read(step).inci.families.has(family), `${step.title}: ${family}`).toBe(false)
      }),
      { numRuns: runs(300), seed: 24 },
    )
  })
})

describe('choices', () => {
  test('out of stock: what its card names to stand in comes first', () => {
    const shelf = {
      ...SHELF,
      products: SHELF.products.map((product) =>
        product.id === 'pineapple-enzyme' ? { ...product, stock: 0 } : product,
      ),
    }
    expect(planFor({ shelf }).steps.find((step) => step.id === 'enzyme')!.product!.productId).toBe(
      'rice-enzyme',
    )
  })
  test('keeping as written lifts exactly the rules that allow it', () => {
    const override = {
      ruleId: 'E02',
      stepId: 'enzyme',
      reason: 'Tolerated elsewhere, seen the record',
      by: 'Maren',
      at: '2026-11-24T08:00:00Z',
    }
    const enzyme = (overrides: (typeof override)[]) => planFor({ history: [], overrides })
    expect(enzyme([]).steps.find((step) => step.id === 'enzyme')!.levers![0]!.rung).toBe(2)
    const kept = enzyme([override])
    expect(kept.steps.find((step) => step.id === 'enzyme')!.levers![0]!.rung).toBe(3)
    expect(kept.changes.find((change) => change.kind === 'kept')?.what).toContain(
      'Tolerated elsewhere',
    )
    const pregnant = planFor({
      protocol: CLARIFYING,
      client: client([yes('pregnancy')]),
      overrides: [{ ...override, ruleId: 'A04', stepId: 'steam' }],
    })
    expect(pregnant.steps.some((step) => step.id === 'steam')).toBe(false)
  })
  test('an essential step that nothing may take is infeasible, with the rules that clash', () => {
    const shelf = {
      ...SHELF,
      products: SHELF.products.filter(
        (product) => product.kind !== 'enzyme' || product.id === 'pineapple-enzyme',
      ),
    }
    const must = protocolOf(
      ...BRIGHTENING.steps.map((step) =>
        step.id === 'enzyme' ? { ...step, essential: true } : step,
      ),
    )
    const plan = planFor({ shelf, protocol: must, client: client([yes('allergy:pineapple')]) })
    expect(plan.status).toBe('infeasible')
    expect(plan.problems.join(' ')).toContain('B-pineapple')
  })
  test('a search that is cut short says stopped, never infeasible', () => {
    const given = input()
    expect(
      resolve({
        steps: given.protocol.steps,
        constraints: constraintsFor(given),
        shelf: SHELF,
        nodeLimit: 3,
      }),
    ).toEqual({ kind: 'unfinished', triedNodes: 4 })
  })
  test('a closure goes with its cause', () => {
    const plan = planFor({ protocol: ACID, client: client([yes('isotretinoin')]) })
    expect(
      ['peel', 'neutralise', 'gel'].filter((id) => plan.steps.some((step) => step.id === id)),
    ).toEqual([])
  })
  test('an enhancement without a host is left out and says so', () => {
    const alone = planFor({
      protocol: protocolOf(...BRIGHTENING.steps.filter((step) => step.id !== 'kelp')),
    })
    expect(alone.changes.find((change) => change.stepId === 'lips')).toMatchObject({
      kind: 'dropped',
      why: [{ ruleId: 'S01' }],
    })
  })
  test('an unanswered stop-level question blocks what it is about and is asked first', () => {
    const unasked = {
      ...client(),
      facts: client().facts.filter((fact) => !['isotretinoin', 'infection'].includes(fact.code)),
    }
    const plan = planFor({ client: unasked })
    expect(plan.steps.some((step) => step.id === 'enzyme')).toBe(false)
    expect(plan.askFirst.join(' ')).toContain('Cold sore')
    expect(plan.notChecked.length).toBe(2)
  })
  test('strength and minutes are capped separately', () => {
    const peel = ACID.steps.find((step) => step.id === 'peel')!
    const glycolic = SHELF.products.find((product) => product.id === 'glycolic-peel')!
    // 25 % at pH 3.4: 1/(1+10^(3.4−3.83)) = 72.9 % free → 18.2 %, rung 3; one minute of putting on and four more, rung 4.
    expect(freeAcidOf(glycolic)).toBeCloseTo(18.2, 1)
    expect(subjectReader(SHELF)(peel).levers).toEqual([{ lever: 'acid', rung: 4 }])
    expect(freeAcidOf({ ...glycolic, vehicle: 'alcohol' })).toBeUndefined()
  })
})
