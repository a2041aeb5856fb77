import type { FindingKind } from '../skin/findings'
import type { LesionType } from '../skin/lesion-words'
import type { ZoneId } from '../skin/zones'
import type { LeverId, Property } from '../protocol/words'

export const EFFECTS = [
  'stop',
  'refer',
  'postpone',
  'scope',
  'clearance',
  'limit',
  'omit-zone',
  'require',
  'replace',
  'caution',
  'advice',
] as const
export type Effect = (typeof EFFECTS)[number]

/** Which steps an effect is about, by properties; never by titles. All given parts must hold. */
export interface Selector {
  readonly any?: readonly Property[]
  readonly all?: readonly Property[]
  readonly not?: readonly Property[]
  /** Ingredient family of the product. */
  readonly family?: string
  /** A word of the ingredient list, as the client named it. */
  readonly word?: string
  readonly productId?: string
  /** The step that the cause names. */
  readonly stepId?: string
  /** Products that evidence has excused: a passed delayed patch test. */
  readonly exceptProducts?: readonly string[]
  readonly lever?: LeverId
  /** Steps whose product has no ingredient list. */
  readonly unread?: true
  /** Steps that put a product on the skin. */
  readonly product?: true
  readonly everything?: true
}

/** What must be there. `core/adapt/care.ts` says each in words and knows which ones put a step or a thing on the tray. */
export const REQUIREMENTS = [
  'cool-removal',
  'lukewarm-removal',
  'tone-after',
  'calm-after',
  'neutralise-after',
  'skin-dry',
  'skin-damp',
  'rather-damp',
  'sun-filter',
  'working-time',
  'along-growth',
  'spot-care',
  'surface-only',
  'eyes-covered',
  'hand-signal',
  'guardian-stays',
  'propped-up',
  'patch-test',
  'tweezers',
  'lenses-out',
  'metal-out',
  'mouth-free',
  'nostrils-free',
  'conductive-gel',
  'no-oil',
  'keep-moving',
  'polarity',
  'eye-shields',
  'uncovered',
  'rest-first',
  'towel-heat',
  'tone-before-heat',
  'depth-and-lot',
  'hydrate-before',
  'eye-gel-before',
  'water-finish',
  'light-throat',
  'hands-first',
  'hands-after',
  'gloves',
  'nitrile-gloves',
  'lancet-scope',
  'single-use',
  'clean-device',
  'linen',
  'scent-free',
  'watch-mouth',
  'restroom-first',
  'try-steam-away',
  'shade-eyes',
  'headband-back',
  'read-temperature',
  'bleaches-linen',
  'look-while-asleep',
] as const
export type Requirement = (typeof REQUIREMENTS)[number]

export type Limit =
  | {
      readonly kind: 'rung'
      readonly lever: LeverId
      readonly max: number
      /** Rungs below the written one, at least. */ readonly belowWritten?: number
    }
  /** Above this rung the zones of the constraint are left out of the step; it goes on elsewhere. */
  | { readonly kind: 'zone-rung'; readonly lever: LeverId; readonly max: number }
  /** A lever without tolerated history, at most on this rung. */
  | { readonly kind: 'first-time-rung'; readonly max: number }
  | { readonly kind: 'dwell-minutes'; readonly max: number }
  /** The device's own minutes per zone (rule D21). */
  | { readonly kind: 'device-minutes' }
  /** What the maker of each product prints, with its source (rule D26). */
  | { readonly kind: 'maker-minutes' }
  | { readonly kind: 'exfoliation'; readonly max: number }
  /** Points already spent before the visit. */
  | { readonly kind: 'exfoliation-used'; readonly max: number }
  | { readonly kind: 'acid-layers'; readonly max: number }
  /** Points where a retinoid and an acid meet on a zone; 0: not both. */
  | { readonly kind: 'retinoid-with-acid'; readonly max: number }

/** When a rule applies. Predicates never negate a hazard, so that adding one only tightens. */
export type Condition =
  | { readonly kind: 'always' }
  | {
      readonly kind: 'fact'
      readonly code: string
      /** Still in force this many days after the fact's date. */ readonly withinDays?: number
      /** No edit goes below. */ readonly floorDays?: number
      /** In force this long even when answered no since. */ readonly afterDays?: number
      /** For a day to come: in force this many days before it. */ readonly aheadDays?: number
    }
  | {
      readonly kind: 'finding'
      readonly finding: FindingKind
      readonly minGrade: number
      /** Only what was painted on the map; pins do not count. */ readonly painted?: true
    }
  /** Painted on so many zones, at any grade. */
  | { readonly kind: 'spread'; readonly finding: FindingKind; readonly zones: number }
  /** So many lesions of these kinds pinned in one zone. */
  | { readonly kind: 'crowded'; readonly types: readonly LesionType[]; readonly perZone: number }
  | { readonly kind: 'lesions'; readonly types: readonly LesionType[]; readonly atLeast: number }
  | { readonly kind: 'age-below'; readonly years: number }
  /** Not of age where the salon is; `ifStays`: where it also asks that a guardian stays. */
  | { readonly kind: 'minor'; readonly ifStays?: true }
  | {
      readonly kind: 'allergy'
      readonly family: string
      readonly reaction?: 'breathing' | 'dislike'
    }
  /** An allergen in the client's own words, outside the families. */
  | { readonly kind: 'own-words'; readonly reaction?: 'dislike' }
  | { readonly kind: 'any-allergy' }
  | { readonly kind: 'unasked'; readonly code: string }
  | { readonly kind: 'memory'; readonly memory: 'refused' | 'reacted' }
  | { readonly kind: 'day' }
  /** Something about the practitioner: an implant, pregnancy, an allergy. */
  | { readonly kind: 'practitioner'; readonly code: string }
  /** Stung or burned in this visit beyond what its product or device is expected to. */
  | { readonly kind: 'felt' }
  /** Computed from past visits by `core/climb`; this row holds its words. */
  | { readonly kind: 'history' }
  | { readonly kind: 'any'; readonly of: readonly Condition[] }
  | { readonly kind: 'all'; readonly of: readonly Condition[] }

/** Evidence that may loosen, from the closed list of the law. */
export type Evidence =
  | { readonly kind: 'clearance'; readonly id: string }
  | { readonly kind: 'guardian-consent' }
  | { readonly kind: 'resilient' }
  /** A delayed patch test of the product, passed and not older than six months (rule E09). */
  | { readonly kind: 'patch-test' }
  /** The practitioner's recorded scope has it. */
  | { readonly kind: 'scope'; readonly technique: Technique }
  /** Each of these levers has two calm visits behind it (`core/climb`). */
  | { readonly kind: 'two-calm'; readonly levers: readonly LeverId[] }
  /** The client said yes. */
  | { readonly kind: 'said-yes'; readonly code: string }

/** What a practitioner may do only when the owner has switched it on (rule family F). */
export const TECHNIQUES = [
  'needling',
  'blade',
  'lancet',
  'rf',
  'measured-infusion',
  'strong-acid',
  'high-suction',
  'minors',
] as const
export type Technique = (typeof TECHNIQUES)[number]

export interface RuleEffect {
  readonly effect: Effect
  readonly target?: Selector
  /** `because`: the zones the fact or finding names; left out: all zones. */
  readonly zones?: 'because' | readonly ZoneId[]
  readonly limit?: Limit
  readonly require?: Requirement
  /** Replace: where nothing else is permitted, the product may stay with a caution. Refer: said, while gentle care goes on. */
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
  /** What a stop by this rule is called among today's stops; default: its title. */
  readonly stopsAs?: string
}

/** One effect of one rule, in force for one client today. */
export interface Constraint {
  /** Stable: rule, effect number and what caused it. Two equal keys are one constraint. */
  readonly key: string
  readonly ruleId: string
  readonly title: string
  readonly stopsAs?: string
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
  /** The answers behind it, by their codes. */
  readonly facts?: readonly string[]
  /** True when it stands because a question has not been asked. */
  readonly unasked: boolean
}
