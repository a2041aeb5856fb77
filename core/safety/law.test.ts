import { situationOf, CALM, TODAY } from '../../tests/situations'
import { runs } from '../../tests/runs'
import { FINDING_KINDS, LESION_TYPES, ZONES } from '../skin'
import { LEVERS } from '../protocol'
import { FAMILIES } from '../catalog'
import { KNOWN } from '../client'
import { TECHNIQUES } from '.'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { EVIDENCE_CODES, medicineCode, QUESTIONS, searchKnown, type Fact } from '../client'
import type { Finding, Lesion } from '../skin'
import { constrain, RULE_BOOK, type Situation } from '.'
import type { PastVisit } from '../climb'

const HAZARDS = [
  ...QUESTIONS.map((question) => question.code).filter((code) => !EVIDENCE_CODES.includes(code)),
  ...FAMILIES.map((family) => `allergy:${family.id}`),
  ...KNOWN.filter((entry) => entry.kind === 'medicine').map((entry) => medicineCode(entry.id)),
]
const fact: fc.Arbitrary<Fact> = fc.record({
  code: fc.constantFrom(...HAZARDS),
  answer: fc.constant('yes' as const),
  askedOn: fc.constantFrom('2026-10-01', '2026-11-24'),
  on: fc.constantFrom(
    '2026-05-01',
    '2026-08-01',
    '2026-10-20',
    '2026-11-20',
    '2026-11-23',
    '2026-11-26',
  ),
  zones: fc.uniqueArray(fc.constantFrom(...ZONES), { minLength: 1, maxLength: 4 }),
})
const finding: fc.Arbitrary<Finding> = fc.record({
  kind: fc.constantFrom(...FINDING_KINDS.filter((kind) => kind !== 'resilient')),
  grade: fc.integer({ min: 1, max: 4 }),
  zones: fc.uniqueArray(fc.constantFrom(...ZONES), { minLength: 1, maxLength: 5 }),
})
const past: fc.Arbitrary<PastVisit> = fc.record({
  on: fc.constantFrom('2026-06-01', '2026-09-20', '2026-10-20'),
  levers: fc.uniqueArray(
    fc.record({ lever: fc.constantFrom(...LEVERS), rung: fc.integer({ min: 1, max: 4 }) }),
    { selector: (use) => use.lever, maxLength: 3 },
  ),
  answer: fc.constantFrom(null, CALM, { ...CALM, stinging: 7 }),
})

const lesion: fc.Arbitrary<Lesion> = fc.record({
  id: fc.uuid(),
  view: fc.constant('front' as const),
  x: fc.constant(0.5),
  y: fc.constant(0.5),
  zone: fc.constantFrom(...ZONES),
  type: fc.constantFrom(...LESION_TYPES),
  painful: fc.boolean(),
  deep: fc.boolean(),
  head: fc.boolean(),
  decision: fc.constant('leave' as const),
})

const keys = (situation: Situation, book = RULE_BOOK) =>
  constrain(book, situation).inForce.map((constraint) => constraint.key)
const lesions = fc.array(lesion, { maxLength: 25 })
// One answer per question, so that shuffling the list does not change which is in force.
const facts = fc.uniqueArray(fact, { selector: (one) => one.code, maxLength: 8 })
const findings = fc.uniqueArray(finding, { selector: (one) => one.kind, maxLength: 5 })

describe('the law, over the whole book', () => {
  test('order-independent: facts, findings and rules in any order', () => {
    fc.assert(
      fc.property(
        facts,
        findings,
        fc.array(past, { maxLength: 3 }),
        fc.infiniteStream(fc.integer()),
        (some, shown, history, dice) => {
          const shuffled = <T>(items: readonly T[]): T[] =>
            items
              .map((item) => ({ item, at: dice.next().value as number }))
              .sort((a, b) => a.at - b.at)
              .map(({ item }) => item)
          const calm = history.filter(
            (visit, at) => history.findIndex((other) => other.on === visit.on) === at,
          )
          expect(
            keys(situationOf(shuffled(some), shuffled(shown), shuffled(calm)), shuffled(RULE_BOOK)),
          ).toEqual(keys(situationOf(some, shown, calm)))
        },
      ),
      { numRuns: runs(1000), seed: 11 },
    )
  })
  test('more hazards give constraints at least as tight', () => {
    fc.assert(
      fc.property(
        facts,
        fact,
        findings,
        finding,
        lesions,
        lesion,
        (some, one, shown, more, pinned, pin) => {
          const added = some.some((known) => known.code === one.code) ? some : [...some, one]
          const seen = shown.some((known) => known.kind === more.kind) ? shown : [...shown, more]
          const [before, after] = [
            keys(situationOf(some, shown, [], pinned)),
            new Set(keys(situationOf(added, seen, [], [...pinned, pin]))),
          ]
          expect(before.filter((key) => !after.has(key))).toEqual([])
        },
      ),
      { numRuns: runs(3000), seed: 12 },
    )
  })
  test('evidence only loosens: nothing that stops or limits is new', () => {
    const ids = RULE_BOOK.flatMap((rule) =>
      rule.effects.flatMap((effect) =>
        effect.unless?.kind === 'clearance' ? [effect.unless.id] : [],
      ),
    )
    fc.assert(
      fc.property(
        facts,
        findings,
        fc.subarray(ids),
        fc.subarray([...TECHNIQUES]),
        (some, shown, cleared, scope) => {
          const plain = situationOf(some, shown)
          const evidence: Situation = {
            ...plain,
            practitioner: { scope, hazards: [] },
            client: {
              ...plain.client,
              clearances: cleared.map((clearance) => ({
                clearance,
                by: 'Dr Invented',
                on: '2026-11-01',
              })),
              patchTests: [
                {
                  productId: 'lactic-peel',
                  kind: 'delayed',
                  zone: 'ears',
                  placedOn: '2026-11-01',
                  readOn: '2026-11-03',
                  result: 'calm',
                },
              ],
            },
          }
          const binding = (situation: Situation) =>
            constrain(RULE_BOOK, situation)
              .inForce.filter((constraint) => !['caution', 'advice'].includes(constraint.effect))
              .map((constraint) => constraint.key)
          const before = new Set(binding(plain))
          expect(binding(evidence).filter((key) => !before.has(key))).toEqual([])
        },
      ),
      { numRuns: runs(1000), seed: 14 },
    )
  })
  test('idempotent: saying everything twice changes nothing', () => {
    fc.assert(
      fc.property(facts, findings, (some, shown) => {
        expect(keys(situationOf([...some, ...some], [...shown, ...shown]))).toEqual(
          keys(situationOf(some, shown)),
        )
      }),
      { numRuns: runs(500), seed: 13 },
    )
  })
  test('unknown on a stop-level question is never looser than no', () => {
    for (const question of QUESTIONS.filter((question) => question.level === 'stop')) {
      const unasked = situationOf([{ code: question.code, answer: 'unknown', askedOn: TODAY }], [])
      const more = constrain(RULE_BOOK, unasked).inForce.filter((constraint) => constraint.unasked)
      expect(more.length, question.code).toBeGreaterThan(0)
      expect(constrain(RULE_BOOK, unasked).notChecked, question.code).toContain(question.ask)
    }
  })
})

describe('medicines and conditions by what people call them', () => {
  const found = (typed: string) => searchKnown(typed).map((entry) => entry.id)
  test('names first, then synonyms; the beginning of any word is enough', () => {
    expect(found('doxy')).toEqual(['doxycycline'])
    expect(found('antibiotic')).toEqual(expect.arrayContaining(['doxycycline', 'ciprofloxacin']))
    expect(found('blood thin')).toEqual(expect.arrayContaining(['warfarin', 'apixaban']))
    expect(found('lupus')[0]).toBe('lupus')
    expect(found('St John')).toEqual(['st-johns-wort'])
  })
  test('nothing typed, nothing found; nonsense neither', () => {
    expect(found('  ')).toEqual([])
    expect(found('zzz')).toEqual([])
  })
})
