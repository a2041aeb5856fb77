import type { Client, Fact } from '../client/model'
import { ageOn, dateInWords, daysBetween, factsInForce } from '../client/facts'
import { questionByCode } from '../client/questions'
import type { PastVisit } from '../climb/model'
import { suggest, type Suggestion } from '../climb/suggest'
import { familyById } from '../catalog/families'
import type { LeverId } from '../protocol/words'
import { LEVER_WORDS } from '../protocol/words'
import type { Reading } from '../skin/model'
import { FINDINGS } from '../skin/findings'
import { zonesInWords, type ZoneId } from '../skin/zones'
import type { Condition, Constraint, Effect, Evidence, Rule, RuleEffect, Selector } from './rule'

/** Everything `constrain` may know. `date` is the visit's ISO date in the salon's zone; `daytime` false for an evening visit. */
export interface Situation {
  readonly client: Pick<Client, 'facts' | 'memories' | 'clearances' | 'bornOn'>
  readonly reading: Reading
  readonly history: readonly PastVisit[]
  readonly levers: readonly LeverId[]
  readonly date: string
  readonly daytime: boolean
}

export interface Constraints {
  /** Sorted by key; no key twice. */
  readonly inForce: readonly Constraint[]
  readonly suggestions: readonly Suggestion[]
  readonly checked: readonly string[]
  readonly notChecked: readonly string[]
}

/** One reason a condition holds: in words, with the zones and product it names. */
interface Cause { readonly because: string; readonly zones?: readonly ZoneId[]; readonly productId?: string; readonly unasked: boolean }
interface Known { readonly situation: Situation; readonly facts: ReadonlyMap<string, Fact> }

/**
 * The law's first half: facts and evidence become constraints. Order-independent and idempotent; for a fixed date and
 * evidence, more hazards give constraints at least as tight. `book` is the rule book, as data.
 */
export function constrain(book: readonly Rule[], situation: Situation): Constraints {
  const known: Known = { situation, facts: factsInForce(situation.client.facts) }
  const suggestions = suggest(situation.levers, situation.history, situation.date)
  const byKey = new Map<string, Constraint>()
  const found = [...book.flatMap((rule) => fire(rule, known)), ...suggestions.flatMap(climbConstraints)]
  for (const constraint of found) byKey.set(constraint.key, constraint)
  const inForce = [...byKey.values()].sort((a, b) => (a.key < b.key ? -1 : 1))
  return { inForce, suggestions, ...coverage(known) }
}

const INTERRUPTS: ReadonlySet<Effect> = new Set(['stop', 'omit-zone', 'postpone', 'refer', 'clearance'])

function fire(rule: Rule, known: Known): Constraint[] {
  const causes = causesOf(rule.when, known)
  return causes.flatMap((cause) => rule.effects.flatMap((effect, at) => {
    if (cause.unasked && !INTERRUPTS.has(effect.effect)) return []
    if (effect.unless && !cause.unasked && holds(effect.unless, known)) return []
    return [instantiate(rule, effect, at, cause)]
  }))
}

function instantiate(rule: Rule, effect: RuleEffect, at: number, cause: Cause): Constraint {
  const zones = effect.zones === 'because' ? cause.zones : effect.zones
  const target: Selector = cause.productId ? { productId: cause.productId } : effect.target ?? { everything: true }
  // Not asked: the steps it is about stop until it is; where that would be the whole visit, it is asked first instead.
  const kind: Effect = cause.unasked || (effect.effect === 'omit-zone' && !zones) ? 'stop' : effect.effect
  return {
    key: [rule.id, at, cause.productId ?? '', zones?.join('+') ?? '', cause.unasked ? 'unasked' : '', cause.because].join('|'),
    ruleId: rule.id, title: rule.title, effect: target.everything && cause.unasked ? 'caution' : kind, target,
    ...(zones ? { zones } : {}), ...(effect.limit ? { limit: effect.limit } : {}), ...(effect.require ? { require: effect.require } : {}),
    ...(effect.soft ? { soft: true as const } : {}), ...(effect.unless?.kind === 'clearance' ? { clearance: effect.unless.id } : {}),
    reason: cause.unasked ? `Not asked yet: ${cause.because}. Unknown is not no.` : rule.reason,
    instead: cause.unasked ? 'Ask on Consult.' : rule.instead,
    basis: rule.basis, ...(rule.source ? { source: rule.source } : {}), overridable: cause.unasked ? 'no' : rule.overridable,
    because: cause.because, unasked: cause.unasked,
  }
}

function holds(evidence: Evidence, { situation, facts }: Known): boolean {
  if (evidence.kind === 'clearance') {
    return situation.client.clearances.some((c) => c.clearance === evidence.id && c.on <= situation.date && (c.until === undefined || c.until >= situation.date))
  }
  if (evidence.kind === 'guardian-consent') {
    const consent = facts.get('guardian-consent')
    return consent?.answer === 'yes' && consent.on !== undefined && consent.on <= situation.date
  }
  return situation.reading.findings.some((finding) => finding.kind === 'resilient')
}

function causesOf(condition: Condition, known: Known): Cause[] {
  const { situation, facts } = known
  switch (condition.kind) {
    case 'always': return [{ because: 'always', unasked: false }]
    case 'day': return situation.daytime ? [{ because: 'a visit by day', unasked: false }] : []
    case 'fact': return factCauses(condition, known)
    case 'finding': return findingCauses(condition, situation.reading)
    case 'age-below': {
      const age = ageOn(situation.client.bornOn, situation.date)
      return age < condition.years ? [{ because: `${age} years old`, unasked: false }] : []
    }
    case 'allergy': return allergyCauses(condition, facts)
    case 'any-allergy': {
      const any = [...facts.values()].some((fact) => fact.code.startsWith('allergy:') && fact.answer === 'yes')
      return any ? [{ because: 'an allergy is known', unasked: false }] : []
    }
    case 'unasked': return unknownAllergies(facts) ? [{ because: 'allergies', unasked: true }] : []
    case 'memory': return situation.client.memories.filter((memory) => memory.memory === condition.memory).map((memory) => ({ because: `${memory.memory} on ${dateInWords(memory.on)}`, productId: memory.productId, unasked: false }))
    case 'any': return condition.of.flatMap((part) => causesOf(part, known))
    case 'all': {
      const parts = condition.of.map((part) => causesOf(part, known).filter((cause) => !cause.unasked))
      // Every combination is a cause of its own, so that one more of a kind adds and never rewrites.
      return parts.reduce((done, causes) => done.flatMap((a) => causes.map((b) => ({ ...a, because: `${a.because}, ${b.because}`, ...(b.zones ? { zones: b.zones } : {}) }))))
    }
  }
}

/** Allergies are unknown until the general question, or at least one family, has been answered. */
function unknownAllergies(facts: ReadonlyMap<string, Fact>): boolean {
  return ![...facts.values()].some((fact) => fact.code.startsWith('allergy:') && fact.answer !== 'unknown')
}

function factCauses(condition: Extract<Condition, { kind: 'fact' }>, { situation, facts }: Known): Cause[] {
  const fact = facts.get(condition.code)
  const question = questionByCode.get(condition.code)
  const ask = question?.ask ?? condition.code
  if (!fact || fact.answer === 'unknown') return question?.level === 'stop' ? [{ because: ask, unasked: true }] : []
  const days = fact.on === undefined ? 0 : daysBetween(fact.on, situation.date)
  if (fact.answer === 'no') return condition.afterDays !== undefined && fact.on !== undefined && days <= condition.afterDays ? [{ because: `${ask} (${dateInWords(fact.on)})`, unasked: false }] : []
  const window = condition.withinDays === undefined ? undefined : Math.max(condition.withinDays, condition.floorDays ?? 0)
  if (window !== undefined && fact.on !== undefined && days > window) return []
  return [{ because: fact.on ? `${ask} (${dateInWords(fact.on)})` : ask, ...(fact.zones && fact.zones.length > 0 ? { zones: fact.zones } : {}), unasked: false }]
}

function findingCauses(condition: Extract<Condition, { kind: 'finding' }>, reading: Reading): Cause[] {
  const name = FINDINGS.find((words) => words.kind === condition.finding)?.name ?? condition.finding
  return reading.findings
    .filter((finding) => finding.kind === condition.finding && finding.grade >= condition.minGrade)
    .map((finding) => ({ because: `${name}, ${zonesInWords(finding.zones)}`, zones: finding.zones, unasked: false }))
}

function allergyCauses(condition: Extract<Condition, { kind: 'allergy' }>, facts: ReadonlyMap<string, Fact>): Cause[] {
  const fact = facts.get(`allergy:${condition.family}`)
  if (fact?.answer !== 'yes' || (condition.reaction !== undefined && fact.reaction !== condition.reaction)) return []
  const name = (familyById.get(condition.family)?.name ?? condition.family).toLowerCase()
  return [{ because: `Allergy to ${name}${fact.reaction === 'breathing' ? ', with breathing trouble or swelling' : ''}`, unasked: false }]
}

function climbConstraints(suggestion: Suggestion): Constraint[] {
  const { lever } = suggestion
  const base = {
    target: { lever }, title: `The climb: ${LEVER_WORDS[lever]}`, reason: suggestion.why, because: suggestion.why,
    instead: suggestion.move === 'stop' ? 'Leave it out; advise a physician.' : 'One rung at a time.', basis: 'house' as const, unasked: false,
  }
  const ruleId = suggestion.ruleIds[0]!
  if (suggestion.move === 'stop') return [{ ...base, key: `${ruleId}|${lever}|stop`, ruleId, effect: 'stop', overridable: 'no' }]
  const first = suggestion.move === 'first'
  const rung: Constraint = {
    ...base, key: `${ruleId}|${lever}|rung|${suggestion.rung}`, ruleId, effect: 'limit', overridable: 'reason',
    limit: { kind: 'rung', lever, max: suggestion.rung, ...(first ? { belowWritten: 1 } : {}) },
  }
  if (!first || lever !== 'acid') return [rung]
  return [rung, { ...base, key: 'E02|acid|layers', ruleId: 'E02', effect: 'limit', overridable: 'no', limit: { kind: 'acid-layers', max: 1 } }]
}

function coverage({ facts, situation }: Known): { checked: string[]; notChecked: string[] } {
  const asked = [...questionByCode.values()].filter((question) => question.code !== 'guardian-consent' || ageOn(situation.client.bornOn, situation.date) < 18)
  const known = asked.filter((question) => (facts.get(question.code)?.answer ?? 'unknown') !== 'unknown')
  const notChecked = asked.filter((question) => !known.includes(question)).map((question) => question.ask)
  const checked = known.map((question) => question.ask)
  if (unknownAllergies(facts)) notChecked.push('Allergies')
  else checked.push('Allergies, against every ingredient list on the shelf')
  if (situation.reading.done) checked.push('Skin read today')
  else notChecked.push('Skin not read yet today')
  return { checked, notChecked }
}
