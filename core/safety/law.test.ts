import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { ALL_NO, client, CALM, readingOf, TODAY } from '../../tests/situations'
import { FAMILIES } from '../catalog'
import { EVIDENCE_CODES, KNOWN, medicineCode, QUESTIONS, searchKnown, type Fact } from '../client'
import { FINDING_KINDS, LESION_TYPES, ZONES, type Finding, type Lesion } from '../skin'
import {
  constrain,
  EMERGENCIES,
  NO_SETTINGS,
  RULE_BOOK,
  ruleById,
  TECHNIQUES,
  windowOf,
  withSettings,
  type RuleSettings,
  type Situation,
} from '.'
import type { PastVisit } from '../climb'
import { LEVERS } from '../protocol'

const HAZARDS = [
  ...QUESTIONS.map((question) => question.code).filter((code) => !EVIDENCE_CODES.includes(code)),
  ...FAMILIES.map((family) => `allergy:${family.id}`),
  ...KNOWN.filter((one) => one.kind === 'medicine').map((one) => medicineCode(one.id)),
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

const situation = (
  facts: readonly Fact[],
  findings: readonly Finding[],
  history: readonly PastVisit[] = [],
  lesions: readonly Lesion[] = [],
): Situation => ({
  client: client(facts),
  reading: { ...readingOf(...findings), lesions: [...lesions] },
  history,
  levers: [...LEVERS],
  date: TODAY,
  daytime: true,
})
const keys = (one: Situation, book = RULE_BOOK) =>
  constrain(book, one).inForce.map((constraint) => constraint.key)
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
            keys(situation(shuffled(some), shuffled(shown), shuffled(calm)), shuffled(RULE_BOOK)),
          ).toEqual(keys(situation(some, shown, calm)))
        },
      ),
      { numRuns: 1000, seed: 11 },
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
            keys(situation(some, shown, [], pinned)),
            new Set(keys(situation(added, seen, [], [...pinned, pin]))),
          ]
          expect(before.filter((key) => !after.has(key))).toEqual([])
        },
      ),
      { numRuns: 3000, seed: 12 },
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
          const plain = situation(some, shown)
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
          const binding = (one: Situation) =>
            constrain(RULE_BOOK, one)
              .inForce.filter((constraint) => !['caution', 'advice'].includes(constraint.effect))
              .map((constraint) => constraint.key)
          const before = new Set(binding(plain))
          expect(binding(evidence).filter((key) => !before.has(key))).toEqual([])
        },
      ),
      { numRuns: 1000, seed: 14 },
    )
  })
  test('idempotent: saying everything twice changes nothing', () => {
    fc.assert(
      fc.property(facts, findings, (some, shown) => {
        expect(keys(situation([...some, ...some], [...shown, ...shown]))).toEqual(
          keys(situation(some, shown)),
        )
      }),
      { numRuns: 500, seed: 13 },
    )
  })
  test('unknown on a stop-level question is never looser than no', () => {
    for (const question of QUESTIONS.filter((one) => one.level === 'stop')) {
      const unasked = situation([{ code: question.code, answer: 'unknown', askedOn: TODAY }], [])
      const more = constrain(RULE_BOOK, unasked).inForce.filter((constraint) => constraint.unasked)
      expect(more.length, question.code).toBeGreaterThan(0)
      expect(constrain(RULE_BOOK, unasked).notChecked, question.code).toContain(question.ask)
    }
  })
})

describe('the book itself', () => {
  test('families A to H stand in it, each rule with a reason, what to do instead and a basis', () => {
    expect([...new Set(RULE_BOOK.map((rule) => rule.family))]).toEqual([
      'A',
      'B',
      'C',
      'D',
      'E',
      'F',
      'H',
    ])
    expect(EMERGENCIES.map((one) => one.id)).toEqual(['G01', 'G02', 'G03'])
    expect(RULE_BOOK.length).toBeGreaterThan(150)
    for (const rule of RULE_BOOK)
      expect(
        [rule.reason, rule.instead].every((words) => words.endsWith('.')),
        rule.id,
      ).toBe(true)
  })
  test('every medicine and condition leads to a question, under a name of its own', () => {
    for (const one of KNOWN)
      expect(
        QUESTIONS.map((question) => question.code),
        one.id,
      ).toContain(one.code)
    expect(new Set(KNOWN.map((one) => one.id)).size).toBe(KNOWN.length)
  })
  test('codes that rules ask for are questions', () => {
    const codes = new Set(QUESTIONS.map((question) => question.code))
    const asked = JSON.stringify(RULE_BOOK).matchAll(/"kind":"fact","code":"([^"]+)"/g)
    for (const [, code] of asked) expect(codes).toContain(code)
  })
  test('a stop, a refusal to begin and a referral are never overridable', () => {
    // A product without its list, and one that the skin reacted to, may come back with a reason (rules, family B).
    const never = ['stop', 'refer', 'postpone', 'scope', 'clearance']
    for (const rule of RULE_BOOK.filter(
      (one) =>
        !['B00', 'B03'].includes(one.id) &&
        one.effects.some((effect) => never.includes(effect.effect)),
    ))
      expect(rule.overridable, rule.id).toBe('no')
  })
  test('all answered no: only what always holds is in force', () => {
    const { inForce } = constrain(RULE_BOOK, situation([], []))
    expect(inForce.filter((one) => one.unasked)).toEqual([])
    expect(
      [...new Set(inForce.map((one) => one.because))]
        .filter((because) => !because.startsWith('No tolerated history'))
        .sort(),
    ).toEqual(['a visit by day', 'always'])
    expect(ALL_NO.length).toBeGreaterThan(20)
  })
})

describe('what a salon may set', () => {
  const inForce = (settings: RuleSettings, facts_: readonly Fact[]) =>
    constrain(withSettings(RULE_BOOK, settings), situation(facts_, [])).inForce.map(
      (constraint) => constraint.ruleId,
    )
  const peel = (on: string): Fact => ({ code: 'peel-light', answer: 'yes', askedOn: TODAY, on })
  test('a window may be longer, and never shorter than its floor', () => {
    expect(inForce(NO_SETTINGS, [peel('2026-11-05')])).not.toContain('A16a')
    expect(inForce({ adviceOff: [], windowDays: { A16a: 21 } }, [peel('2026-11-05')])).toContain(
      'A16a',
    )
    expect(inForce({ adviceOff: [], windowDays: { A16a: 3 } }, [peel('2026-11-12')])).toContain(
      'A16a',
    )
    expect(
      inForce({ adviceOff: [], windowDays: { A07: 3 } }, [
        { code: 'retinoid-prescription', answer: 'yes', askedOn: TODAY, on: '2026-11-20' },
      ]),
    ).not.toContain('A07')
    expect(
      inForce({ adviceOff: [], windowDays: { A07: 1 } }, [
        { code: 'retinoid-prescription', answer: 'yes', askedOn: TODAY, on: '2026-11-21' },
      ]),
    ).toContain('A07')
  })
  test('advice may be switched off, nothing else', () => {
    const off = withSettings(RULE_BOOK, {
      adviceOff: RULE_BOOK.map((rule) => rule.id),
      windowDays: {},
    })
    const missing = RULE_BOOK.filter((rule) => !off.some((one) => one.id === rule.id))
    expect(missing.map((rule) => rule.id).sort()).toEqual(['B04', 'C16d', 'H09'])
  })
  test('windows with their floors', () => {
    expect(windowOf(ruleById('A06'))).toEqual({ days: 183, floor: 183 })
    expect(windowOf(ruleById('A07'))).toEqual({ days: 5, floor: 3 })
    expect(windowOf(ruleById('A01'))).toBeUndefined()
    expect(() => ruleById('Z99')).toThrow('no rule Z99')
  })
})

describe('medicines and conditions by what people call them', () => {
  const found = (typed: string) => searchKnown(typed).map((one) => one.id)
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
