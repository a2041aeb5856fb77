import { expect, test } from 'vitest'
import { requirementWords } from '../adapt/care'
import { RULE_BOOK } from '.'
import { EFFECTS, REQUIREMENTS } from './rule'
import { conditionWords, EFFECT_GLYPHS, EFFECT_WORDS, effectWords } from './words'

const MACHINE = /undefined|\[object|[a-z]-[a-z]+-[a-z]+-[a-z]+|[{}]|null|NaN/

test.each(RULE_BOOK.map((rule) => [rule.id, rule] as const))(
  '%s can be read: when, then, why and instead',
  (_id, rule) => {
    const when = conditionWords(rule.when)
    const then = rule.effects.map((effect) => effectWords(effect, requirementWords))
    expect(when.length).toBeGreaterThan(3)
    for (const words of [rule.title, when, ...then, rule.reason, rule.instead])
      expect(words).not.toMatch(MACHINE)
    for (const words of then) expect(words).not.toBe('')
    expect(rule.reason.length).toBeGreaterThan(10)
    expect(rule.instead.length).toBeGreaterThan(3)
  },
)
test('every effect has a word and a sign, every requirement a line', () => {
  for (const effect of EFFECTS)
    expect(EFFECT_WORDS[effect].length * EFFECT_GLYPHS[effect].length).toBeGreaterThan(0)
  for (const require of REQUIREMENTS) expect(requirementWords(require)).toMatch(/[a-z]{3}/)
})
test.each([
  ['A06', 'isotretinoin'],
  ['A01', 'implant'],
  ['B-latex-kiwi', 'kiwi'],
  ['C02', 'patchy'],
])('%s says what it is about', (id, word) => {
  const rule = RULE_BOOK.find((rule) => rule.id === id)
  expect(rule && `${rule.title} ${conditionWords(rule.when)}`.toLowerCase()).toContain(word)
})
