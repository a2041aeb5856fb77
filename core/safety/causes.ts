import { ageOn, dateInWords, daysBetween, MAJORITY } from '../client/facts'
import type { Fact } from '../client/model'
import { EVIDENCE_CODES, questionByCode, type Question } from '../client/questions'
import { freeWordOf, isFreeWordCode } from '../catalog/free-word'
import { familyById } from '../catalog/tables/families'
import { FINDINGS } from '../skin/findings'
import { LESION_WORDS } from '../skin/lesion-words'
import { pinnedFindings } from '../skin/pins'
import type { Reading } from '../skin/model'
import { zonesInWords, type ZoneId } from '../skin/zones'
import { byKind } from '../kinds'
import type { Condition } from './rule'
import { allergiesUnknown, type KnownFacts, type NamedFact } from './situation'

/** One reason a condition holds: in words, with the answers behind it by their codes, and the zones and product it names. */
export interface Cause {
  readonly because: string
  readonly facts?: readonly string[]
  readonly zones?: readonly ZoneId[]
  readonly productId?: string
  /** A step of this visit. */
  readonly stepId?: string
  /** An ingredient by the client's own word. */
  readonly word?: string
  readonly unasked: boolean
  /** Asked, and the client does not know. */
  readonly notKnown?: true
}

type ConditionOf<Kind extends Condition['kind']> = Extract<Condition, { kind: Kind }>

const asked = (because: string): Cause => ({ because, unasked: false })
const causeIf = (holds: boolean, because: string): Cause[] => (holds ? [asked(because)] : [])

/** Every reason for which a condition holds; none when it does not. */
export const causesOf: (condition: Condition, known: KnownFacts) => readonly Cause[] = byKind({
  always: () => [asked('always')],
  history: () => [],
  felt: (_, { situation }) =>
    (situation.felt ?? []).map(({ stepId, because }) => ({ ...asked(because), stepId })),
  day: (_, { situation }) => causeIf(situation.daytime, 'a visit by day'),
  fact: factCauses,
  finding: (condition, { situation }) => findingCauses(condition, situation.reading),
  lesions: (condition, { situation }) => lesionCauses(condition, situation.reading),
  spread: (condition, { situation }) => spreadCauses(condition, situation.reading),
  crowded: (condition, { situation }) => crowdedZones(condition, situation.reading),
  practitioner: ({ code }, { situation }) =>
    causeIf(situation.practitioner?.hazards.includes(code) ?? false, 'about yourself'),
  'age-below': ({ years }, { situation }) => youngerThan(years, situation),
  minor: ({ ifStays }, { situation }) =>
    ifStays && !situation.guardianStays
      ? []
      : youngerThan(situation.majority ?? MAJORITY, situation),
  allergy: allergyCauses,
  'own-words': ownWordCauses,
  'any-allergy': (_, { facts }) =>
    causeIf([...facts.values()].some(isAllergy), 'an allergy is known'),
  unasked: (_, { facts }) =>
    allergiesUnknown(facts) ? [{ because: 'allergies', unasked: true }] : [],
  memory: memoryCauses,
  any: ({ of }, known) => of.flatMap((part) => causesOf(part, known)),
  all: everyCombination,
})

function youngerThan(years: number, { client, date }: KnownFacts['situation']): Cause[] {
  const age = ageOn(client.bornOn, date)
  return causeIf(age < years, `${age} years old`)
}

/** Every combination is a cause of its own, so that one more of a kind adds and never rewrites. */
function everyCombination({ of }: ConditionOf<'all'>, known: KnownFacts): readonly Cause[] {
  const parts = of.map((part) => causesOf(part, known))
  return parts.reduce((combined, causes) =>
    combined.flatMap((first) => causes.map((second) => together(first, second))),
  )
}

const together = (first: Cause, second: Cause): Cause => ({
  ...first,
  because: `${first.because}, ${second.because}`,
  unasked: first.unasked || second.unasked,
  ...(first.facts || second.facts
    ? { facts: [...(first.facts ?? []), ...(second.facts ?? [])] }
    : {}),
  ...(second.zones ? { zones: second.zones } : {}),
})

function factCauses(
  condition: ConditionOf<'fact'>,
  { situation, facts, byQuestion }: KnownFacts,
): Cause[] {
  const question = questionByCode.get(condition.code)
  const own = facts.get(condition.code)
  const answers = byQuestion.get(condition.code) ?? []
  const causes = answers.flatMap((answer) => factCause(condition, answer, situation.date) ?? [])
  // Unknown counts as yes until it is asked, whatever was true of it long ago; what may only loosen is never held against anybody.
  const isOpen =
    question !== undefined &&
    !EVIDENCE_CODES.includes(condition.code) &&
    (own === undefined || own.answer === 'unknown') &&
    causes.length === 0
  return isOpen ? [openCause(question, own)] : causes
}

const openCause = (question: Question, own: Fact | undefined): Cause => ({
  because: question.ask,
  facts: [question.code],
  unasked: true,
  ...(own ? { notKnown: true as const } : {}),
})

function factCause(
  condition: ConditionOf<'fact'>,
  { fact, name, afterDays }: NamedFact,
  date: string,
): Cause | undefined {
  if (!isInForce({ ...condition, withinDays: condition.withinDays ?? afterDays }, fact, date))
    return undefined
  const because = fact.on ? `${name} (${dateInWords(fact.on)})` : name
  const zones = fact.answer === 'yes' && fact.zones?.length ? { zones: reached(fact) } : {}
  return { ...asked(because), facts: [fact.code], ...zones }
}

/** The zones of an answer, and those that go with them. */
function reached({ code, zones = [] }: Fact): readonly ZoneId[] {
  const reaches = questionByCode.get(code)?.reaches
  if (!reaches) return zones
  return [...new Set(zones.flatMap((zone) => [zone, ...(reaches[zone] ?? [])]))]
}

/** Days around a fact's date in which a condition holds. */
type Window = {
  readonly [Key in 'afterDays' | 'aheadDays' | 'withinDays' | 'floorDays']?: number | undefined
}

/** A yes within its window; a no only where the rule reaches for some days after the end. */
function isInForce(condition: Window, fact: Fact, date: string): boolean {
  const { afterDays, aheadDays, withinDays, floorDays = 0 } = condition
  if (fact.answer === 'unknown') return false
  const days = fact.on === undefined ? undefined : daysBetween(fact.on, date)
  if (fact.answer === 'no')
    return afterDays !== undefined && days !== undefined && days <= afterDays
  if (days === undefined) return true
  if (aheadDays !== undefined && (days > 0 || -days > aheadDays)) return false
  return withinDays === undefined || days <= Math.max(withinDays, floorDays)
}

/** What was painted, and zone by zone what was pinned. */
function findingCauses(
  { finding: kind, minGrade, painted }: ConditionOf<'finding'>,
  { findings, lesions }: Reading,
): Cause[] {
  const name = FINDINGS.find((words) => words.kind === kind)?.name ?? kind
  const pinned = painted ? [] : pinnedFindings(lesions)
  return [...findings, ...pinned]
    .filter((finding) => finding.kind === kind && finding.grade >= minGrade)
    .map(({ zones }) => ({ ...asked(`${name}, ${zonesInWords(zones)}`), zones }))
}

/** One cause for reaching so many zones, so that one more adds and never rewrites. */
function spreadCauses(
  { finding: kind, zones: most }: ConditionOf<'spread'>,
  { findings }: Reading,
): Cause[] {
  const painted = findings.filter((finding) => finding.kind === kind && finding.grade > 0)
  const zones = new Set(painted.flatMap((finding) => finding.zones))
  const name = FINDINGS.find((words) => words.kind === kind)?.name ?? kind
  return causeIf(zones.size >= most, `${name}, on ${most} zones or more`)
}

/** One cause per zone that holds so many, so that one lesion more adds and never rewrites. */
function crowdedZones({ types, perZone }: ConditionOf<'crowded'>, { lesions }: Reading): Cause[] {
  const zones = [...new Set(lesions.map(({ zone }) => zone))].sort()
  return zones
    .filter(
      (zone) =>
        lesions.filter((lesion) => lesion.zone === zone && types.includes(lesion.type)).length >=
        perZone,
    )
    .map((zone) => ({
      ...asked(`${perZone} or more lesions pinned, ${zonesInWords([zone])}`),
      zones: [zone],
    }))
}

/** One cause per pinned lesion, so that one more adds and never rewrites; for a count, one cause for reaching it. */
function lesionCauses({ types, atLeast }: ConditionOf<'lesions'>, { lesions }: Reading): Cause[] {
  const counted = lesions.filter((lesion) => types.includes(lesion.type))
  if (counted.length < atLeast) return []
  if (atLeast > 1) return [asked(`${atLeast} or more inflamed lesions on the map`)]
  return counted.map(({ type, zone }) => ({
    ...asked(`${LESION_WORDS[type]}, ${zonesInWords([zone])}`),
    zones: [zone],
  }))
}

const isAllergy = (fact: Fact): boolean =>
  fact.code.startsWith('allergy:') && fact.answer === 'yes' && fact.reaction !== 'dislike'

function allergyCauses(
  { family, reaction }: ConditionOf<'allergy'>,
  { facts }: KnownFacts,
): Cause[] {
  const fact = facts.get(`allergy:${family}`)
  if (fact?.answer !== 'yes') return []
  const isMeant = reaction === undefined ? fact.reaction !== 'dislike' : fact.reaction === reaction
  if (!isMeant) return []
  const name = (familyById.get(family)?.name ?? family).toLowerCase()
  const verb = fact.reaction === 'dislike' ? 'Dislikes' : 'Allergy to'
  const how = fact.reaction === 'breathing' ? ', with breathing trouble or swelling' : ''
  return [{ ...asked(`${verb} ${name}${how}`), facts: [fact.code] }]
}

/** One cause per word, so that one more adds and never rewrites. */
function ownWordCauses({ reaction }: ConditionOf<'own-words'>, { facts }: KnownFacts): Cause[] {
  const isDislike = reaction === 'dislike'
  return [...facts.values()]
    .filter(({ code, answer }) => isFreeWordCode(code) && answer === 'yes')
    .filter((fact) => (fact.reaction === 'dislike') === isDislike)
    .map(({ code }) => {
      const word = freeWordOf(code)
      const verb = isDislike ? 'Dislikes' : 'Allergy to'
      return { ...asked(`${verb} “${word}”`), facts: [code], word }
    })
}

function memoryCauses({ memory: kind }: ConditionOf<'memory'>, { situation }: KnownFacts): Cause[] {
  return situation.client.memories
    .filter((memory) => memory.memory === kind)
    .map(({ memory, on, productId }) => ({
      ...asked(`${memory} on ${dateInWords(on)}`),
      productId,
    }))
}
