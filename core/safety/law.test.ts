import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { ALL_NO, client, CALM, TODAY } from '../../tests/situations'
import { FAMILIES } from '../catalog'
import { QUESTIONS, type Fact } from '../client'
import { FINDING_KINDS, ZONES, type Finding } from '../skin'
import { constrain, RULE_BOOK, type Situation } from '.'
import type { PastVisit } from '../climb'
import { LEVERS } from '../protocol'

const HAZARDS = [...QUESTIONS.map((question) => question.code).filter((code) => code !== 'guardian-consent'), ...FAMILIES.map((family) => `allergy:${family.id}`)]
const fact: fc.Arbitrary<Fact> = fc.record({
  code: fc.constantFrom(...HAZARDS), answer: fc.constant('yes' as const), askedOn: fc.constantFrom('2026-10-01', '2026-11-24'),
  on: fc.constantFrom('2026-05-01', '2026-08-01', '2026-10-20', '2026-11-20', '2026-11-23'), zones: fc.uniqueArray(fc.constantFrom(...ZONES), { minLength: 1, maxLength: 4 }),
})
const finding: fc.Arbitrary<Finding> = fc.record({ kind: fc.constantFrom(...FINDING_KINDS.filter((kind) => kind !== 'resilient')), grade: fc.integer({ min: 1, max: 4 }), zones: fc.uniqueArray(fc.constantFrom(...ZONES), { minLength: 1, maxLength: 5 }) })
const past: fc.Arbitrary<PastVisit> = fc.record({ on: fc.constantFrom('2026-06-01', '2026-09-20', '2026-10-20'), levers: fc.uniqueArray(fc.record({ lever: fc.constantFrom(...LEVERS), rung: fc.integer({ min: 1, max: 4 }) }), { selector: (use) => use.lever, maxLength: 3 }), answer: fc.constantFrom(null, CALM, { ...CALM, stinging: 7 }) })

const situation = (facts: readonly Fact[], findings: readonly Finding[], history: readonly PastVisit[] = []): Situation => ({
  client: client(facts), reading: { done: true, findings: [...findings] }, history, levers: [...LEVERS], date: TODAY, daytime: true,
})
const keys = (one: Situation, book = RULE_BOOK) => constrain(book, one).inForce.map((constraint) => constraint.key)
// One answer per question, so that shuffling the list does not change which is in force.
const facts = fc.uniqueArray(fact, { selector: (one) => one.code, maxLength: 8 })
const findings = fc.uniqueArray(finding, { selector: (one) => one.kind, maxLength: 5 })

describe('the law, over the whole book', () => {
  test('order-independent: facts, findings and rules in any order', () => {
    fc.assert(fc.property(facts, findings, fc.array(past, { maxLength: 3 }), fc.infiniteStream(fc.integer()), (some, shown, history, dice) => {
      const shuffled = <T>(items: readonly T[]): T[] => items.map((item) => ({ item, at: dice.next().value as number })).sort((a, b) => a.at - b.at).map(({ item }) => item)
      const calm = history.filter((visit, at) => history.findIndex((other) => other.on === visit.on) === at)
      expect(keys(situation(shuffled(some), shuffled(shown), shuffled(calm)), shuffled(RULE_BOOK))).toEqual(keys(situation(some, shown, calm)))
    }), { numRuns: 1000, seed: 11 })
  })
  test('more hazards give constraints at least as tight', () => {
    fc.assert(fc.property(facts, fact, findings, finding, (some, one, shown, more) => {
      const added = some.some((known) => known.code === one.code) ? some : [...some, one]
      const seen = shown.some((known) => known.kind === more.kind) ? shown : [...shown, more]
      const [before, after] = [keys(situation(some, shown)), new Set(keys(situation(added, seen)))]
      expect(before.filter((key) => !after.has(key))).toEqual([])
    }), { numRuns: 2000, seed: 12 })
  })
  test('idempotent: saying everything twice changes nothing', () => {
    fc.assert(fc.property(facts, findings, (some, shown) => {
      expect(keys(situation([...some, ...some], [...shown, ...shown]))).toEqual(keys(situation(some, shown)))
    }), { numRuns: 500, seed: 13 })
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
  test('every rule that must be here is here', () => {
    const ids = RULE_BOOK.map((rule) => rule.id)
    for (const id of ['A01', 'A02', 'A04', 'A05', 'A06', 'A07', 'A11', 'A12', 'A13', 'A16a', 'A16b', 'A16c', 'A21', 'A23', 'A27', 'B-salicylates', 'B-pineapple', 'B-papaya', 'B-fragrance', 'B02', 'B03', 'C01', 'C02', 'C03', 'C04', 'C05', 'C06', 'C12', 'C13', 'C15', 'D01', 'D02', 'D03', 'D11', 'D12', 'D17']) expect(ids).toContain(id)
  })
  test('codes that rules ask for are questions', () => {
    const codes = new Set(QUESTIONS.map((question) => question.code))
    const asked = JSON.stringify(RULE_BOOK).matchAll(/"kind":"fact","code":"([^"]+)"/g)
    for (const [, code] of asked) expect(codes).toContain(code)
  })
  test('a stop, a refusal to begin and a referral are never overridable', () => {
    for (const rule of RULE_BOOK.filter((one) => one.family === 'A')) expect(rule.overridable, rule.id).toBe('no')
  })
  test('all answered no: only what always holds is in force', () => {
    const { inForce } = constrain(RULE_BOOK, situation([], []))
    expect(inForce.filter((one) => one.unasked)).toEqual([])
    expect([...new Set(inForce.map((one) => one.because))].filter((because) => !because.startsWith('No tolerated history')).sort()).toEqual(['a visit by day', 'always'])
    expect(ALL_NO.length).toBeGreaterThan(20)
  })
})
