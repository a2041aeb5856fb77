import { situationOf, ALL_NO } from '../../tests/situations'
import { describe, expect, test } from 'vitest'
import { KNOWN, QUESTIONS } from '../client'
import { constrain, EMERGENCIES, emergencySteps, RULE_BOOK } from '.'

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
    expect(RULE_BOOK.length).toBeGreaterThan(150)
    for (const rule of RULE_BOOK)
      expect(
        [rule.reason, rule.instead].every((words) => words.endsWith('.')),
        rule.id,
      ).toBe(true)
  })
  test('an emergency is met by its kind: a wheal in one place calls nobody yet, breath does at once', () => {
    const where = { number: '112', address: 'Quay 1', off: 'Peel: neutralise then rinse' }
    const of = (id: string) =>
      emergencySteps(
        EMERGENCIES.find((row) => row.id === id)!,
        where,
      )
    expect(EMERGENCIES.map(({ id }) => id).sort()).toEqual(
      Array.from({ length: 8 }, (_, at) => `G0${at + 1}`),
    )
    for (const { id, callsAtOnce } of EMERGENCIES)
      expect(of(id).slice(0, 3).join(' ').includes('Call 112; say: Quay 1.'), id).toBe(
        callsAtOnce === true || ['G05', 'G07', 'G08', 'G04'].includes(id),
      )
    expect(of('G01')[0]).toBe('Machines off. Call 112; say: Quay 1.')
    expect(of('G04')[0]).toBe('Off now. Peel: neutralise then rinse.')
    expect(of('G06').join(' ')).toContain('Nothing in the mouth')
    const bare = emergencySteps(
      EMERGENCIES.find((row) => row.id === 'G03')!,
      { ...where, off: '' },
    )
    expect(bare[0]).toBe('Off.')
  })
  test('every medicine and condition leads to a question, under a name of its own', () => {
    for (const one of KNOWN)
      expect(
        QUESTIONS.map((question) => question.code),
        one.id,
      ).toContain(one.code)
    expect(new Set(KNOWN.map((entry) => entry.id)).size).toBe(KNOWN.length)
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
      (rule) =>
        !['B00', 'B03'].includes(rule.id) &&
        rule.effects.some((effect) => never.includes(effect.effect)),
    ))
      expect(rule.overridable, rule.id).toBe('no')
  })
  test('all answered no: only what always holds is in force', () => {
    const { inForce } = constrain(RULE_BOOK, situationOf([], []))
    expect(inForce.filter((constraint) => constraint.unasked)).toEqual([])
    expect(
      [...new Set(inForce.map((constraint) => constraint.because))]
        .filter((because) => !/^(No tolerated history|A first massage)/.test(because))
        .sort(),
    ).toEqual(['a visit by day', 'always'])
    expect(ALL_NO.length).toBeGreaterThan(20)
  })
})
