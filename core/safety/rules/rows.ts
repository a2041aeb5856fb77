import type { Rule } from '../rule'

/** A rule as it stands in its file: the family comes from the file. */
export type RuleRow = Omit<Rule, 'family'>

type More = Partial<Pick<Rule, 'basis' | 'source' | 'overridable' | 'stopsAs'>>

/** A row: common practice that is never waved through, unless it says otherwise. */
export const row = (
  id: string,
  title: string,
  when: Rule['when'],
  effects: Rule['effects'],
  reason: string,
  instead: string,
  more: More = {},
): RuleRow => ({
  id,
  title,
  when,
  effects,
  reason,
  instead,
  basis: 'common-practice',
  overridable: 'no',
  ...more,
})

/** Six months as days, counted long: 26 weeks and a day. */
export const SIX_MONTHS_DAYS = 183

export const fact = (
  code: string,
  more: Partial<Extract<Rule['when'], { kind: 'fact' }>> = {},
): Extract<Rule['when'], { kind: 'fact' }> => ({ kind: 'fact', code, ...more })
/** In force for this many days after the date; the salon may lengthen it, never go below. */
export const within = (code: string, days: number, floorDays = days) =>
  fact(code, { withinDays: days, floorDays })
export const finding = (
  kind: Extract<Rule['when'], { kind: 'finding' }>['finding'],
  minGrade = 1,
): Rule['when'] => ({ kind: 'finding', finding: kind, minGrade })
export const anyOf = (...of: Rule['when'][]): Rule['when'] => ({ kind: 'any', of })
export const allOf = (...of: Rule['when'][]): Rule['when'] => ({ kind: 'all', of })
export const ALWAYS: Rule['when'] = { kind: 'always' }
