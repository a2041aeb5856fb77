import type { Place } from '../protocol/words'
import type { ZoneId } from '../skin/zones'

/** One stretch of time to place, in whole seconds. */
export interface Part {
  readonly id: string
  /** For explanations: "kelp mask, working". Default: the id. */
  readonly name?: string
  /** At least this long: the fitted length. */
  readonly leastS: number
  /** At most; equal to `leastS` unless it is a dwell that may stretch. */
  readonly mostS: number
  readonly hands: boolean
  /** Where the practitioner is for a hands-on part. */
  readonly at: Place
  /** Where a dwell needs the practitioner. */
  readonly needs: Place
  /** Zones it takes from other steps, its removal tool's footprint and reach included. */
  readonly zones: readonly ZoneId[]
  readonly mayStretch: boolean
  /** A device that stands in one place at a time. */
  readonly device?: string
}

/** A step as the scheduler sees it: an optional preparation, then parts without a gap. */
export interface Chain {
  readonly id: string
  /** For explanations. Default: the id. */
  readonly name?: string
  readonly prepare?: {
    readonly part: Part
    /** Between the end of mixing and the start of applying, at most. */
    readonly potLifeS: number
    /** Between the same two, at least: it rests. Default: 0. */
    readonly restS?: number
    /** From the end of mixing to the end of the first part, at most. */
    readonly workingS?: number
  }
  readonly parts: readonly Part[]
  /** Undefined: fixed, in written order. Else the dwells that admit it, in order of preference. */
  readonly hosts?: readonly { readonly chainId: string; readonly partId: string }[]
  /** May lie over the host's own zones. */
  readonly over?: boolean
  /** Fixed steps of one name, each on its own zones, lie at the same time: they begin in written order, and what comes off first is the search's to find. */
  readonly beside?: string
  /** Stands at this second, whatever the visit does, and is no part of it: a device that is needed elsewhere, hands that are at another client. */
  readonly reservedFromS?: number
}

/** A time between two parts, from the end of one to the start of the other. */
export interface Lag {
  readonly fromPart: string
  readonly toPart: string
  readonly minS: number
  readonly maxS?: number
}

/** Where a part of a running visit really lies; without an end it is running. */
export interface Pin {
  readonly startS: number
  readonly endS?: number
}

export interface PlacingProblem {
  readonly chains: readonly Chain[]
  readonly lags: readonly Lag[]
  /** A visit under way: what has begun stands where it was, everything else comes at `notBeforeS` at the earliest. */
  readonly pins?: ReadonlyMap<string, Pin>
  readonly notBeforeS?: number
  /** What runs may go past its maximum while it waits for hands: it is on the skin, and giving up would help nobody. */
  readonly overrun?: true
}

export interface Placed {
  readonly partId: string
  readonly startS: number
  readonly endS: number
}

export type Placing =
  | {
      readonly kind: 'optimal' | 'feasible'
      readonly makespanS: number
      readonly stretchS: number
      readonly placed: readonly Placed[]
      /** How far above the proven bound, in seconds; 0 when optimal. */
      readonly gapS: number
      readonly nodes: number
      readonly hosts: ReadonlyMap<string, string>
    }
  | { readonly kind: 'infeasible'; readonly clash: readonly string[]; readonly nodes: number }
  | { readonly kind: 'unfinished'; readonly nodes: number }

/** What an explanation calls a part or a step. */
export const nameOf = (thing: Pick<Part | Chain, 'id' | 'name'>): string => thing.name ?? thing.id

const RANK: Readonly<Record<Place, number>> = { away: 0, room: 1, client: 2 }
/** True when a practitioner standing at `at` satisfies what a dwell needs. */
export const present = (at: Place, needs: Place): boolean => RANK[at] >= RANK[needs]
