import { familyById } from '../catalog/tables/families'
import { questionByCode } from '../client/questions'
import { findingWords } from '../skin/findings'
import { LESION_WORDS } from '../skin/lesion-words'
import { zonesInWords } from '../skin/zones'
import { byKind } from '../kinds'
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

const familyName = (family: string): string =>
  (familyById.get(family)?.name ?? family).toLowerCase()

/** When a rule applies, as a clause: "client answers yes: Epilepsy or seizures". */
export const conditionWords: (condition: Condition) => string = byKind({
  always: () => 'at every visit',
  fact: factWords,
  finding: findingConditionWords,
  lesions: lesionWords,
  spread: ({ finding, zones }) => `${findingWords(finding).name} on ${zones} zones or more`,
  crowded: ({ types, perZone }) =>
    `${perZone} or more in one zone: ${types.map((type) => LESION_WORDS[type].toLowerCase()).join(', ')}`,
  'age-below': ({ years }) => `younger than ${years}`,
  minor: ({ ifStays }) =>
    `not of age where the salon is${ifStays ? ', and the salon asks a guardian to stay (Settings, How we work)' : ''}`,
  allergy: allergyWords,
  'own-words': ({ reaction }) =>
    reaction === 'dislike'
      ? 'dislikes something outside the families'
      : 'an allergy outside the families, in the client’s own words',
  'any-allergy': () => 'any allergy',
  unasked: ({ code }) => `not asked: ${questionWords(code)}`,
  memory: ({ memory }) =>
    `the client ${memory} ${memory === 'refused' ? '' : 'to '}a product before`,
  day: () => 'by daylight',
  practitioner: ({ code }) => PRACTITIONER_WORDS[code] ?? plain(code),
  history: () => 'what past visits show',
  felt: () => 'the client feels more than the product or device is expected to do',
  any: ({ of }) =>
    listed(
      of.map((part) => conditionWords(part)),
      '— or',
    ),
  all: ({ of }) =>
    listed(
      of.map((part) => conditionWords(part)),
      'and',
    ),
})

const questionWords = (code: string): string => questionByCode.get(code)?.ask ?? plain(code)

function findingConditionWords({
  finding,
  minGrade,
}: Extract<Condition, { kind: 'finding' }>): string {
  const grade = minGrade > 1 ? `, grade ${minGrade} or more` : ''
  return `${findingWords(finding).name.toLowerCase()} read today${grade}`
}

function lesionWords({ types, atLeast }: Extract<Condition, { kind: 'lesions' }>): string {
  const how = atLeast === 1 ? 'a lesion' : `${atLeast} lesions or more`
  return `${how} on the map: ${listed(types.map((type) => LESION_WORDS[type].toLowerCase()))}`
}

function allergyWords({ family, reaction }: Extract<Condition, { kind: 'allergy' }>): string {
  const verb = reaction === 'dislike' ? 'dislikes' : 'allergy to'
  const how = reaction === 'breathing' ? ', with breathing, hives or swelling' : ''
  return `${verb} ${familyName(family)}${how}`
}

function factWords(fact: Extract<Condition, { kind: 'fact' }>): string {
  const question = questionByCode.get(fact.code)
  const ask = questionWords(fact.code)
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
  const { any, all, not, lever, family } = target
  const parts = [
    target.everything && 'the whole visit',
    any && listed(any.map(propertyWords)),
    all?.map(propertyWords).join(' and '),
    lever && LEVER_WORDS[lever],
    family && `products with ${familyName(family)}`,
    target.word && `products with “${target.word}”`,
    target.unread && 'products without an ingredient list',
    target.product && 'any product',
    target.productId && 'that product',
    not && `but not ${listed(not.map(propertyWords))}`,
  ]
  return parts.filter(Boolean).join(', ')
}

const limitWords = byKind<Limit, [], string>({
  rung: ({ max, belowWritten }) => {
    if (belowWritten === undefined) return `rung ${max} at the most`
    const rungs = belowWritten === 1 ? 'one rung' : `${belowWritten} rungs`
    return `at least ${rungs} below the written one`
  },
  'zone-rung': ({ max }) => `above rung ${max} these zones are left out`,
  'first-time-rung': ({ max }) => `rung ${max} at the most the first time`,
  'dwell-minutes': ({ max }) => `${max} minutes at the most`,
  'device-minutes': () => 'the minutes its maker gives for a zone',
  'maker-minutes': () => 'the minutes its maker prints',
  exfoliation: ({ max }) => `${max} exfoliation ${max === 1 ? 'point' : 'points'} at the most`,
  'exfoliation-used': () => 'points already spent count',
  'retinoid-with-acid': ({ max }) =>
    max === 0
      ? 'not a retinoid and an acid in one visit'
      : `a retinoid and an acid together ${max} exfoliation points at the most`,
  'acid-layers': ({ max }) => `${max === 1 ? 'one acid layer' : `${max} acid layers`} at the most`,
})

const evidenceWords = byKind<Evidence, [], string>({
  clearance: () => 'a clearance in writing',
  'guardian-consent': () => 'a guardian’s dated consent',
  resilient: () => 'skin that is read as resilient',
  'patch-test': () => 'a calm delayed patch test of the product within six months',
  scope: () => 'the practitioner’s recorded scope',
  'two-calm': ({ levers }) =>
    `two calm visits of ${listed(levers.map((lever) => LEVER_WORDS[lever]))}`,
  'said-yes': ({ code }) => `yes to “${questionWords(code)}”`,
})

function zoneWords(zones: RuleEffect['zones']): string {
  if (zones === undefined) return ''
  return zones === 'because' ? 'where it is' : zonesInWords(zones)
}

/** One effect in words: what it is about, how far, where, and what would loosen it. `care` gives a requirement's words. */
export function effectWords(
  effect: RuleEffect,
  care: (require: NonNullable<RuleEffect['require']>) => string,
): string {
  return [
    targetWords(effect.target),
    effect.limit ? limitWords(effect.limit) : '',
    effect.require ? care(effect.require) : '',
    zoneWords(effect.zones),
    effect.unless ? `unless there is ${evidenceWords(effect.unless)}` : '',
  ]
    .filter(Boolean)
    .join('; ')
}
