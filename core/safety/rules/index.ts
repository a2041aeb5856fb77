import type { Rule } from '../rule'
import { HEALTH_RULES } from './a-health'
import { ALLERGY_RULES } from './b-allergies'
import { SKIN_RULES } from './c-skin'
import { PHYSICS_RULES } from './d-physics'
import type { RuleRow } from './rows'

/** Raised whenever a rule, a window or a rung changes: stored with every plan. */
export const RULE_BOOK_VERSION = '2026.11.1'

const inFamily = (family: Rule['family'], rows: readonly RuleRow[]): Rule[] => rows.map((row) => ({ ...row, family }))

/**
 * The rule book: families A to D. Family E (across visits) is computed by `climb` and joins in `constrain`;
 * D06 (acid or enzyme with steam) and D24 (active dwells never stretch) speak of pairs and of time and are held by
 * `adapt` and `schedule`, under their own ids.
 */
export const RULE_BOOK: readonly Rule[] = checked([
  ...inFamily('A', HEALTH_RULES), ...inFamily('B', ALLERGY_RULES), ...inFamily('C', SKIN_RULES), ...inFamily('D', PHYSICS_RULES),
])

function checked(rules: readonly Rule[]): readonly Rule[] {
  const seen = new Set<string>()
  for (const rule of rules) {
    if (seen.has(rule.id)) throw new Error(`Rule id ${rule.id} stands twice in the rule book.`)
    seen.add(rule.id)
    if (!rule.reason || !rule.instead) throw new Error(`Rule ${rule.id} needs a reason and what to do instead.`)
  }
  return rules
}
