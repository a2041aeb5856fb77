import type { Rule } from '../rule'

/** A rule as it stands in its file: the family comes from the file. */
export type RuleRow = Omit<Rule, 'family'>

/** Six months as days, counted long: 26 weeks and a day. */
export const SIX_MONTHS_DAYS = 183
