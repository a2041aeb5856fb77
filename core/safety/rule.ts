import type { FindingKind } from '../skin/findings'
import type { ZoneId } from '../skin/zones'
import type { LeverId, Property } from '../protocol/words'

export type Effect = 'stop' | 'refer' | 'postpone' | 'scope' | 'clearance' | 'limit' | 'omit-zone' | 'require' | 'replace' | 'caution' | 'advice'

/** Which steps an effect is about, by properties; never by titles. All given parts must hold. */
export interface Selector {
  readonly any?: readonly Property[]
  readonly all?: readonly Property[]
  readonly not?: readonly Property[]
  /** Ingredient family of the product. */
  readonly family?: string
  readonly productId?: string
  readonly lever?: LeverId
  /** Steps whose product has no ingredient list. */
  readonly unread?: true
  /** Steps that put a product on the skin. */
  readonly product?: true
  readonly everything?: true
}

export type Requirement =
  | 'cool-removal' | 'lukewarm-removal' | 'tone-after' | 'neutralise-after' | 'skin-dry' | 'skin-damp' | 'sun-filter' | 'working-time'
  | 'along-growth' | 'spot-care' | 'surface-only' | 'eyes-covered' | 'hand-signal' | 'propped-up' | 'patch-test' | 'tweezers'

export type Limit =
  | { readonly kind: 'rung'; readonly lever: LeverId; readonly max: number; /** Rungs below the written one, at least. */ readonly belowWritten?: number }
  | { readonly kind: 'dwell-minutes'; readonly max: number }
  | { readonly kind: 'exfoliation'; readonly max: number }
  | { readonly kind: 'acid-layers'; readonly max: number }

/** When a rule applies. Predicates never negate a hazard, so that adding one only tightens. */
export type Condition =
  | { readonly kind: 'always' }
  | { readonly kind: 'fact'; readonly code: string; /** Still in force this many days after the fact's date. */ readonly withinDays?: number; /** No edit goes below. */ readonly floorDays?: number; /** In force this long even when answered no since. */ readonly afterDays?: number }
  | { readonly kind: 'finding'; readonly finding: FindingKind; readonly minGrade: number }
  | { readonly kind: 'age-below'; readonly years: number }
  | { readonly kind: 'allergy'; readonly family: string; readonly reaction?: 'breathing' }
  | { readonly kind: 'any-allergy' }
  | { readonly kind: 'unasked'; readonly code: string }
  | { readonly kind: 'memory'; readonly memory: 'refused' | 'reacted' }
  | { readonly kind: 'day' }
  | { readonly kind: 'any'; readonly of: readonly Condition[] }
  | { readonly kind: 'all'; readonly of: readonly Condition[] }

/** Evidence that may loosen, from the closed list of the law. */
export type Evidence = { readonly kind: 'clearance'; readonly id: string } | { readonly kind: 'guardian-consent' } | { readonly kind: 'resilient' }

export interface RuleEffect {
  readonly effect: Effect
  readonly target?: Selector
  /** `fact` and `finding`: the zones the fact or finding names; left out: all zones. */
  readonly zones?: 'because' | readonly ZoneId[]
  readonly limit?: Limit
  readonly require?: Requirement
  /** Replace: where nothing else is permitted, the product may stay with a caution. */
  readonly soft?: true
  /** Loosens this one effect. For a clearance effect: its own id. */
  readonly unless?: Evidence
}

export interface Rule {
  readonly id: string
  readonly family: 'A' | 'B' | 'C' | 'D' | 'E' | 'F' | 'H'
  readonly title: string
  readonly when: Condition
  readonly effects: readonly RuleEffect[]
  /** A sentence for the practitioner. */
  readonly reason: string
  /** What to do. */
  readonly instead: string
  readonly basis: 'published' | 'common-practice' | 'house'
  readonly source?: string
  readonly overridable: 'no' | 'reason'
}

/** One effect of one rule, in force for one client today. */
export interface Constraint {
  /** Stable: rule, effect number and what caused it. Two equal keys are one constraint. */
  readonly key: string
  readonly ruleId: string
  readonly title: string
  readonly effect: Effect
  readonly target: Selector
  /** Undefined: everywhere. */
  readonly zones?: readonly ZoneId[]
  readonly limit?: Limit
  readonly require?: Requirement
  readonly clearance?: string
  readonly soft?: true
  readonly reason: string
  readonly instead: string
  readonly basis: Rule['basis']
  readonly source?: string
  readonly overridable: 'no' | 'reason'
  /** The fact, finding or visit behind it, in words. */
  readonly because: string
  /** True when it stands because a question has not been asked. */
  readonly unasked: boolean
}
