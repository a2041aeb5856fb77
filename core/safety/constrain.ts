import { ageOn } from '../client/facts'
import { suggest, type Suggestion } from '../climb/suggest'
import { LEVER_KIND } from '../strength'
import { coverage, type Coverage } from './coverage'
import { fire } from './fire'
import { climbConstraints, historyConstraints } from './past-visits'
import type { Constraint, Rule } from './rule'
import { allergiesUnknown, knownFacts, type Situation } from './situation'

export { passedTests } from './evidence'
export type { Practitioner, Situation } from './situation'

export interface Constraints extends Coverage {
  /** Sorted by key; no key twice. */
  readonly inForce: readonly Constraint[]
  readonly suggestions: readonly Suggestion[]
  /** Somebody asked for allergies: until then no other family of ingredients is put in. */
  readonly allergiesAsked: boolean
}

/**
 * The law's first half: facts and evidence become constraints. Order-independent and idempotent; for a fixed date and
 * evidence, more hazards give constraints at least as tight. `book` is the rule book, as data.
 */
export function constrain(book: readonly Rule[], situation: Situation): Constraints {
  const { client, history, levers, date } = situation
  const suggestions = suggest(levers, history, date, ageOn(client.bornOn, date))
  const firsts = suggestions
    .filter(({ lever, move }) => move === 'first' && LEVER_KIND[lever] === 'answering')
    .map((suggestion) => suggestion.lever)
  const known = knownFacts(situation, firsts)
  const rules = new Map(book.map((rule) => [rule.id, rule]))
  const found = [
    ...book.flatMap((rule) => fire(rule, known)),
    ...suggestions.flatMap(climbConstraints),
    ...historyConstraints(situation, rules),
  ]
  const byKey = new Map(found.map((constraint) => [constraint.key, constraint]))
  const inForce = [...byKey.values()].sort((a, b) => (a.key < b.key ? -1 : 1))
  const allergiesAsked = !allergiesUnknown(known.facts)
  return { inForce, suggestions, allergiesAsked, ...coverage(known) }
}
