import type { PlacedSegment } from '../adapt/plan'
import type { Contact } from './contact'
import { morePassesMs } from './passes'
import type { Ladder, RunState } from './state'

/** A segment as the run has it now: known by events, inferred by the clock, or still forecast. Wall-clock milliseconds. */
export interface LiveSegment {
  readonly segment: PlacedSegment
  readonly status: 'done' | 'inferred' | 'now' | 'ahead' | 'skipped'
  readonly fromMs: number
  readonly toMs: number
}

/** A run while it is read at one instant. */
export interface Walk {
  readonly state: Omit<RunState<Ladder>, 'plan'>
  readonly nowMs: number
  readonly running: boolean
  cursorMs: number
  readonly found: Map<string, LiveSegment>
  /** Something before this waits for a word: nothing after it is inferred. */
  blocked: boolean
  /** Removal (or later coat) → the dwell directly before it. */
  readonly dwellOf: ReadonlyMap<string, PlacedSegment>
  /** Active layers by their dwell, and what is put on first of each. */
  readonly contacts: ReadonlyMap<string, Contact>
  readonly touches: ReadonlySet<string>
  /** What comes off. */
  readonly offs: readonly PlacedSegment[]
}

export const lengthMs = (segment: PlacedSegment): number => (segment.endS - segment.startS) * 1000

/** How long hands are at a segment, with the passes that were said since it was placed. */
export const workMs = ({ state }: Pick<Walk, 'state'>, segment: PlacedSegment): number =>
  lengthMs(segment) + morePassesMs(state.passes, segment)

/** What the hands last did for a step before one of its segments. */
export function handsBefore(
  walk: Walk,
  { stepId, startS }: PlacedSegment,
): LiveSegment | undefined {
  return [...walk.found.values()].findLast(
    ({ segment }) =>
      segment.stepId === stepId && segment.endS <= startS && segment.kind !== 'prepare',
  )
}
