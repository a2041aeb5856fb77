import type { FittedPlan } from '../adapt/plan'
import type { Sensation } from '../catalog/model'
import type { LevelUse } from '../climb/model'
import type { LesionOutcome } from '../skin/lesion-words'
import type { Reading } from '../skin/model'
import type { FeltToday } from '../safety/situation'
import type { RunEvent } from './events'
import { SENSATION_WORDS } from './tables/sensations'
import type { Lead } from './lead'
import type { Called } from './order'
import type { Absence } from './absence'
import type { PassSaid } from './passes'
import type { Pause } from './pauses'
import type { TouchKind } from './touch-kinds'

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
  readonly of?: TouchKind | undefined
  readonly thingId?: string | undefined
  readonly beyond?: true | undefined
  readonly strong?: true | undefined
}

/** A device level as it was set, with its step. */
export type LevelSet = LevelUse & { readonly stepId: string; readonly atMs: number }

/** One stroke more, or enough of a movement, within a segment. */
export interface StrokeSaid {
  readonly segmentId: string
  readonly way: 'again' | 'enough'
  readonly atMs: number
}

/** "Not this one": a product that the client does not want. */
export interface Refusal {
  readonly stepId: string
  readonly productId: string
  readonly why: string
  /** It had not touched yet, and no fit has answered since: the step begins anew. */
  readonly isOpen: boolean
}

/** What opens the skin: its lot, and how deep it goes in millimetres. */
export interface Cartridge {
  readonly lot: string
  readonly depthMm: number
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
  /** Device levels set otherwise than fitted, in order. */
  readonly levels: readonly LevelSet[]
  /** Areas of an extraction that hands have left behind, by segment. */
  readonly areas: ReadonlyMap<string, number>
  /** What came of lesions, by id. */
  readonly outcomes: ReadonlyMap<string, LesionOutcome>
  /** When it has to end, where somebody has said so. */
  readonly endsMs: number | undefined
  /** How much longer hands take today; percent. */
  readonly slowerBy: number
  /** Steps taken earlier or later than the card has them, in order. */
  readonly called: readonly Called[]
  /** Layers that were not ready when they were due: when that was said, by segment. */
  readonly notYet: ReadonlyMap<string, readonly number[]>
  readonly strokes: readonly StrokeSaid[]
  /** Products that were refused, in order. */
  readonly refused: readonly Refusal[]
  /** The tablet that drives: the one that began, or that took it last. */
  readonly lead: Lead | undefined
  /** Segments that a tablet which follows may do. */
  readonly handedOver: ReadonlySet<string>
  /** Passes more of what is repeated until its sign shows, in order. */
  readonly passes: readonly PassSaid[]
  /** Lot and depth of a needling, by step; the last one said counts. */
  readonly cartridges: ReadonlyMap<string, Cartridge>
  /** In order; before the last fit they are part of its lengths. */
  readonly pauses: readonly Pause[]
  /** When hands were at another client, in order. */
  readonly absences: readonly Absence[]
  readonly comforts: readonly {
    readonly stepId: string
    readonly measure: string
    readonly atMs: number
  }[]
  readonly notes: readonly { readonly text: string; readonly atMs: number }[]
  readonly emergencyMs: number | undefined
  /** Tasks of the room's turnover that are done, with the event that said so. */
  readonly turned: ReadonlyMap<string, { readonly atMs: number; readonly eventId: string }>
  /** Answers at gates by step: quick checks, and the reading as last given. */
  readonly checks: ReadonlyMap<string, 'calm' | 'stings'>
  /** Products that stung when they were tried. */
  readonly stung: readonly string[]
  readonly reading: Reading | undefined
  /** Events that count, in order. */
  readonly events: readonly RunEvent[]
}

/** Sensations beyond what was expected, each step once, as the rule book reads them; how somebody lies is none of them. */
export function beyondOf(state: Pick<RunState, 'sensations' | 'plan'>): FeltToday[] {
  const beyond = state.sensations.filter((felt) => felt.beyond && felt.of !== 'position')
  const first = new Map(beyond.toReversed().map((felt) => [felt.stepId, felt]))
  return [...first.values()].toReversed().map(({ stepId, sensation }) => {
    const title = state.plan.steps.find(({ id }) => id === stepId)?.title ?? stepId
    return { stepId, because: `${title}: ${SENSATION_WORDS[sensation].toLowerCase()}` }
  })
}
