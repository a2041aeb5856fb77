import type { Constraint } from '../safety/rule'

export type ChangeKind =
  | 'dropped'
  | 'replaced'
  | 'rung'
  | 'minutes'
  | 'zones'
  | 'removal'
  | 'inserted'
  | 'care'
  | 'kept'
  | 'hung'
  | 'unmet'
  | 'chosen'
  | 'swapped'
  | 'moved'

/** One reason behind a change. */
export interface Why {
  readonly ruleId: string
  readonly reason: string
  readonly instead: string
  readonly because: string
  /** The answers behind it, by their codes; plans stored before they were kept have none. */
  readonly facts?: readonly string[] | undefined
  readonly basis: Constraint['basis']
  readonly source?: string | undefined
  readonly overridable: 'no' | 'reason'
  /** It stands because a question has not been asked. */
  readonly unasked?: true | undefined
}

/** One thing that differs from the written protocol, with everything behind it. */
export interface Change {
  readonly kind: ChangeKind
  readonly stepId: string
  /** What changed, in a short sentence. */
  readonly what: string
  readonly why: readonly Why[]
}

export const whyOf = (constraint: Constraint): Why => ({
  ruleId: constraint.ruleId,
  reason: constraint.reason,
  instead: constraint.instead,
  because: constraint.because,
  ...(constraint.facts ? { facts: constraint.facts } : {}),
  basis: constraint.basis,
  ...(constraint.source ? { source: constraint.source } : {}),
  overridable: constraint.overridable,
  ...(constraint.unasked ? { unasked: true as const } : {}),
})

/** Reasons without repeats: one per rule and cause. */
export function distinctWhy(constraints: readonly Constraint[]): Why[] {
  const seen = new Map<string, Why>()
  for (const constraint of constraints)
    seen.set(`${constraint.ruleId}|${constraint.because}`, whyOf(constraint))
  return [...seen.values()]
}

/** A reason that stands outside the rule book's rows (pairs of steps, time). */
export const ownWhy = (ruleId: string, reason: string, instead: string): Why => ({
  ruleId,
  reason,
  instead,
  because: reason,
  basis: 'common-practice',
  overridable: 'no',
})

/** By which two visits' changes are the same: what changed, and every rule with its cause. What is as last time need not be said loudly again. */
export const changeKey = ({ what, why }: Pick<Change, 'what' | 'why'>): string =>
  [what, ...why.map(({ ruleId, because }) => `${ruleId}:${because}`).sort()].join('|')

/** Changes that the ladder before did not have; what hangs elsewhere now is nothing that was changed. */
export function newChanges(changes: readonly Change[], before: readonly Change[]): Change[] {
  const known = new Set(before.map(({ what }) => what))
  return changes.filter(({ kind, what }) => kind !== 'hung' && !known.has(what))
}
