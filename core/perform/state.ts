import type { FittedPlan } from '../adapt/plan'
import type { Sensation } from '../catalog/model'
import type { Reading } from '../skin/model'
import type { RunEvent } from './events'

/** What happened to one segment, by events alone; wall-clock milliseconds. */
export interface SegmentLog {
  readonly startedMs?: number
  readonly finishedMs?: number
  /** Not inferred as finished any more. */
  readonly stillMs?: number
}

export interface Felt {
  readonly stepId: string
  readonly sensation: Sensation
  readonly atMs: number
  readonly eventId: string
}

/** What a run needs of a plan. */
export type Ladder = Pick<FittedPlan, 'segments'>

/** The state of a run: a function of the plan and the set of events, whatever their order of arrival. */
export interface RunState<Plan extends Ladder = FittedPlan> {
  /** The ladder in force: the plan the run began with, or the last one it was fitted to again. */
  readonly plan: Plan
  readonly startedMs: number | undefined
  readonly finishedMs: number | undefined
  readonly segments: ReadonlyMap<string, SegmentLog>
  readonly skipped: ReadonlyMap<string, string>
  readonly sensations: readonly Felt[]
  readonly comforts: readonly {
    readonly stepId: string
    readonly measure: string
    readonly atMs: number
  }[]
  readonly notes: readonly { readonly text: string; readonly atMs: number }[]
  readonly emergencyMs: number | undefined
  /** Answers at gates by step: quick checks, and the reading as last given. */
  readonly checks: ReadonlyMap<string, 'calm' | 'stings'>
  /** Products that stung when they were tried. */
  readonly stung: readonly string[]
  readonly reading: Reading | undefined
  /** Events that count, in order. */
  readonly events: readonly RunEvent[]
}
