import type { Condition, Rule } from '../rule'
import { HEALTH_RULES } from './a-health'
import { ALLERGY_RULES } from './b-allergies'
import { SKIN_RULES } from './c-skin'
import { PHYSICS_RULES } from './d-physics'
import { VISIT_RULES } from './e-visits'
import { SCOPE_RULES } from './f-scope'
import { HYGIENE_RULES } from './h-hygiene'
import type { RuleRow } from './rows'

/** Raised whenever a rule, a window or a rung changes: stored with every plan. */
export const RULE_BOOK_VERSION = '2026.11.9'

const inFamily = (family: Rule['family'], rows: readonly RuleRow[]): Rule[] =>
  rows.map((row) => ({ ...row, family }))

/** The rule book: families A to H but G, which is the emergency card (`g-emergency`). */
export const RULE_BOOK: readonly Rule[] = checked([
  ...inFamily('A', HEALTH_RULES),
  ...inFamily('B', ALLERGY_RULES),
  ...inFamily('C', SKIN_RULES),
  ...inFamily('D', PHYSICS_RULES),
  ...inFamily('E', VISIT_RULES),
  ...inFamily('F', SCOPE_RULES),
  ...inFamily('H', HYGIENE_RULES),
])
const byId: ReadonlyMap<string, Rule> = new Map(RULE_BOOK.map((rule) => [rule.id, rule]))

/** A rule by its id; throws for an id that is not in the book, since ids are written in code. */
export function ruleById(id: string): Rule {
  const rule = byId.get(id)
  if (!rule) throw new Error(`There is no rule ${id} in the book.`)
  return rule
}

function checked(rules: readonly Rule[]): readonly Rule[] {
  const seen = new Set<string>()
  for (const rule of rules) {
    if (seen.has(rule.id)) throw new Error(`Rule id ${rule.id} stands twice in the rule book.`)
    seen.add(rule.id)
    if (!rule.reason || !rule.instead)
      throw new Error(`Rule ${rule.id} needs a reason and what to do instead.`)
    if (rule.basis === 'published' && !rule.source)
      throw new Error(`Rule ${rule.id} says it is published and names no source.`)
  }
  return rules
}

/** What a salon has set: advice switched off, windows of days made longer, what is local law about those who are not of age. */
export interface RuleSettings {
  readonly adviceOff: readonly string[]
  readonly windowDays: Readonly<Record<string, number>>
  /** Years at which somebody is of age; default: `MAJORITY`. */
  readonly majority?: number | undefined
  /** A guardian stays in the room while a minor is treated; default: not asked for. */
  readonly guardianStays?: boolean | undefined
}
export const NO_SETTINGS: RuleSettings = { adviceOff: [], windowDays: {} }

/** The window of days of a rule, with the floor no edit goes below. Undefined for rules without one. */
export function windowOf(rule: Pick<Rule, 'when'>): { days: number; floor: number } | undefined {
  const found = partsOf(rule.when).find(
    (part): part is Extract<Condition, { kind: 'fact' }> =>
      part.kind === 'fact' && (part.withinDays ?? part.aheadDays) !== undefined,
  )
  const days = found && (found.withinDays ?? found.aheadDays)
  return days === undefined ? undefined : { days, floor: found!.floorDays ?? days }
}
const partsOf = (condition: Condition): readonly Condition[] =>
  condition.kind === 'any' || condition.kind === 'all' ? condition.of.flatMap(partsOf) : [condition]

/** Rules that an answer to this question can bring into force. */
export const rulesAsking = (code: string): readonly Rule[] =>
  RULE_BOOK.filter((rule) =>
    partsOf(rule.when).some(
      (part) => (part.kind === 'fact' || part.kind === 'unasked') && part.code === code,
    ),
  )

/** True for a rule that only advises: it may be switched off. */
export const isAdvice = (rule: Pick<Rule, 'effects'>): boolean =>
  rule.effects.length > 0 && rule.effects.every((effect) => effect.effect === 'advice')

/** The book as a salon has set it. A window never goes below its floor, and only advice can be switched off. */
export function withSettings(book: readonly Rule[], settings: RuleSettings): readonly Rule[] {
  return book
    .filter((rule) => !(isAdvice(rule) && settings.adviceOff.includes(rule.id)))
    .map((rule) => {
      const days = settings.windowDays[rule.id]
      return days === undefined ? rule : { ...rule, when: withWindow(rule.when, days) }
    })
}

function withWindow(condition: Condition, days: number): Condition {
  if (condition.kind === 'any' || condition.kind === 'all')
    return { ...condition, of: condition.of.map((part) => withWindow(part, days)) }
  if (condition.kind !== 'fact') return condition
  if (condition.withinDays !== undefined)
    return { ...condition, withinDays: Math.max(days, condition.floorDays ?? condition.withinDays) }
  return condition.aheadDays === undefined
    ? condition
    : { ...condition, aheadDays: Math.max(days, condition.aheadDays) }
}

/** Clearances that loosen a rule: who may give one is written in its title. */
export const CLEARANCE_RULES: readonly { id: string; title: string; clearance: string }[] =
  RULE_BOOK.flatMap(({ id, title, effects }) =>
    effects.flatMap(({ unless }) =>
      unless?.kind === 'clearance' ? [{ id, title, clearance: unless.id }] : [],
    ),
  )
