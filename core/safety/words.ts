import { familyById } from '../catalog/families'
import { questionByCode } from '../client/questions'
import { findingWords } from '../skin/findings'
import { LESION_WORDS } from '../skin/lesions'
import { zonesInWords } from '../skin/zones'
import { LEVER_WORDS, propertyWords } from '../protocol/words'
import type { Condition, Effect, Evidence, Limit, Rule, RuleEffect, Selector } from './rule'

/** What an effect does, in two or three words. */
export const EFFECT_WORDS: Readonly<Record<Effect, string>> = {
  stop: 'Stop',
  refer: 'Refer',
  postpone: 'Not today',
  scope: 'Scope',
  clearance: 'Clearance first',
  limit: 'Limit',
  'omit-zone': 'Leave out',
  require: 'Needs',
  replace: 'Replace',
  caution: 'Mind',
  advice: 'Advice',
}
/** A sign for each effect, so that none is told by colour alone. */
export const EFFECT_GLYPHS: Readonly<Record<Effect, string>> = {
  stop: '⊘',
  refer: '▲',
  postpone: '⊘',
  scope: '⊘',
  clearance: '⊘',
  limit: '↓',
  'omit-zone': '◌',
  require: '!',
  replace: '⇄',
  caution: '!',
  advice: '·',
}
/** Effects that keep something from being done. */
export const isForbidding = (effect: Effect): boolean =>
  ['stop', 'refer', 'postpone', 'scope', 'clearance'].includes(effect)

export const FAMILY_NAMES: Readonly<Record<Rule['family'], string>> = {
  A: 'Health',
  B: 'Allergies',
  C: 'Skin today',
  D: 'Product, device',
  E: 'Across visits',
  F: 'Scope of practice',
  H: 'Hygiene',
}

const listed = (words: readonly string[], last = 'or'): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} ${last} ${words.at(-1)}`
const plain = (id: string): string => id.replaceAll('-', ' ')
const days = (n: number): string => (n === 1 ? 'one day' : `${n} days`)
const PRACTITIONER_WORDS: Readonly<Record<string, string>> = {
  current: 'an implant or pregnancy of your own',
  latex: 'a latex allergy of your own',
  ingredient: 'an ingredient allergy of your own',
}

/** When a rule applies, as a clause: "client answers yes: Epilepsy or seizures". */
export function conditionWords(condition: Condition): string {
  switch (condition.kind) {
    case 'always':
      return 'at every visit'
    case 'fact':
      return factWords(condition)
    case 'finding':
      return `${findingWords(condition.finding).name.toLowerCase()} read today${condition.minGrade > 1 ? `, grade ${condition.minGrade} or more` : ''}`
    case 'lesions':
      return `${condition.atLeast === 1 ? 'a lesion' : `${condition.atLeast} lesions or more`} on the map: ${listed(condition.types.map((type) => LESION_WORDS[type].toLowerCase()))}`
    case 'age-below':
      return `younger than ${condition.years}`
    case 'allergy':
      return `${condition.reaction === 'dislike' ? 'dislikes' : 'allergy to'} ${(familyById.get(condition.family)?.name ?? condition.family).toLowerCase()}${condition.reaction === 'breathing' ? ', with breathing, hives or swelling' : ''}`
    case 'any-allergy':
      return 'any allergy'
    case 'unasked':
      return `not asked: ${questionByCode.get(condition.code)?.ask ?? plain(condition.code)}`
    case 'memory':
      return condition.memory === 'refused'
        ? 'the client refused a product before'
        : 'the client reacted to a product before'
    case 'day':
      return 'by daylight'
    case 'practitioner':
      return PRACTITIONER_WORDS[condition.code] ?? plain(condition.code)
    case 'history':
      return 'what past visits show'
    case 'any':
      return listed(condition.of.map(conditionWords), '— or')
    case 'all':
      return listed(condition.of.map(conditionWords), 'and')
  }
}

function factWords(fact: Extract<Condition, { kind: 'fact' }>): string {
  const question = questionByCode.get(fact.code)
  const ask = question?.ask ?? plain(fact.code)
  if (fact.aheadDays !== undefined) return `${ask}, in the next ${days(fact.aheadDays)}`
  if (fact.withinDays === undefined)
    return fact.afterDays === undefined ? ask : `${ask}, now or in the last ${days(fact.afterDays)}`
  return question?.date === 'stopped'
    ? `${ask}: taken still, or stopped in the last ${days(fact.withinDays)}`
    : `${ask}, in the last ${days(fact.withinDays)}`
}

/** What an effect is about: "steam, heat", "acid strength", "any product". */
function targetWords(target: Selector | undefined): string {
  if (!target) return ''
  const parts = [
    target.everything ? 'the whole visit' : '',
    target.any ? listed(target.any.map(propertyWords)) : '',
    target.all ? target.all.map(propertyWords).join(' and ') : '',
    target.lever ? LEVER_WORDS[target.lever] : '',
    target.family
      ? `products with ${(familyById.get(target.family)?.name ?? target.family).toLowerCase()}`
      : '',
    target.unread ? 'products without an ingredient list' : '',
    target.product ? 'any product' : '',
    target.productId ? 'that product' : '',
    target.not ? `but not ${listed(target.not.map(propertyWords))}` : '',
  ]
  return parts.filter(Boolean).join(', ')
}

function limitWords(limit: Limit): string {
  switch (limit.kind) {
    case 'rung':
      return limit.belowWritten === undefined
        ? `rung ${limit.max} at the most`
        : `at least ${limit.belowWritten === 1 ? 'one rung' : `${limit.belowWritten} rungs`} below the written one`
    case 'zone-rung':
      return `above rung ${limit.max} these zones are left out`
    case 'first-time-rung':
      return `rung ${limit.max} at the most the first time`
    case 'dwell-minutes':
      return `${limit.max} minutes at the most`
    case 'device-minutes':
      return 'the minutes its maker gives for a zone'
    case 'exfoliation':
      return `${limit.max} exfoliation ${limit.max === 1 ? 'point' : 'points'} at the most`
    case 'exfoliation-used':
      return 'points already spent count'
    case 'acid-layers':
      return `${limit.max === 1 ? 'one acid layer' : `${limit.max} acid layers`} at the most`
  }
}

function evidenceWords(evidence: Evidence): string {
  switch (evidence.kind) {
    case 'clearance':
      return 'a clearance in writing'
    case 'guardian-consent':
      return 'a guardian’s dated consent'
    case 'resilient':
      return 'skin that is read as resilient'
    case 'patch-test':
      return 'a calm delayed patch test of the product within six months'
    case 'scope':
      return 'the practitioner’s recorded scope'
    case 'said-yes':
      return `yes to “${questionByCode.get(evidence.code)?.ask ?? plain(evidence.code)}”`
  }
}

/** One effect in words: what it is about, how far, where, and what would loosen it. `care` gives a requirement's words. */
export function effectWords(
  effect: RuleEffect,
  care: (require: NonNullable<RuleEffect['require']>) => string,
): string {
  const zones =
    effect.zones === undefined
      ? ''
      : effect.zones === 'because'
        ? 'where it is'
        : zonesInWords(effect.zones)
  return [
    targetWords(effect.target),
    effect.limit ? limitWords(effect.limit) : '',
    effect.require ? care(effect.require) : '',
    zones,
    effect.unless ? `unless there is ${evidenceWords(effect.unless)}` : '',
  ]
    .filter(Boolean)
    .join('; ')
}
