import type { PlacedSegment } from '../adapt/plan'
import type { Ladder, RunState } from './reduce'

/** A segment as the run has it now: known by events, inferred by the clock, or still forecast. Wall-clock milliseconds. */
export interface LiveSegment {
  readonly segment: PlacedSegment
  readonly status: 'done' | 'inferred' | 'now' | 'ahead' | 'skipped'
  readonly fromMs: number
  readonly toMs: number
}

/** One layer processing on the skin. */
export interface Layer {
  readonly stepId: string
  readonly segmentId: string
  readonly sinceMs: number
  /** When it should come off, and when it must. */
  readonly dueMs: number
  readonly latestMs: number
  readonly active: boolean
  readonly removalId: string | undefined
  readonly zones: PlacedSegment['zones']
}

export interface Live {
  readonly segments: readonly LiveSegment[]
  /** What the hands do now; undefined while they are free. */
  readonly hands: LiveSegment | undefined
  /** What the hands do next, and when. */
  readonly next: LiveSegment | undefined
  readonly layers: readonly Layer[]
  readonly freeUntilMs: number | undefined
  /** The last segment the clock alone called finished: "still at it" takes it back. */
  readonly lastInferred: LiveSegment | undefined
  readonly finishMs: number
  readonly allDone: boolean
}

/**
 * The run at one instant. Hands-on segments follow one another by their planned length without a tap; a dwell runs from the
 * end of its apply; a layer comes off only when somebody says so (a removal after a dwell is never inferred).
 * Everything is derived from event times and `nowMs`: a reload shows the same second.
 */
export function liveAt(plan: Ladder, state: Omit<RunState<Ladder>, 'plan'>, nowMs: number): Live {
  const begun = state.startedMs ?? nowMs
  const walk: Walk = {
    state,
    nowMs,
    running: state.startedMs !== undefined,
    cursorMs: begun,
    found: new Map(),
    blocked: false,
    dwellOf: dwellsBefore(plan.segments),
  }
  for (const segment of handsOrder(plan.segments)) step(walk, segment)
  const segments = plan.segments.map(
    (segment) => walk.found.get(segment.id) ?? passive(walk, segment, plan.segments, begun),
  )
  const hands = segments.find((live) => live.status === 'now' && live.segment.hands)
  const ahead = segments
    .filter((live) => live.segment.hands && live.status === 'ahead')
    .sort((a, b) => a.fromMs - b.fromMs)
  const next = ahead[0]
  return {
    segments,
    hands,
    next,
    layers: layersAt(walk, segments, plan.segments),
    freeUntilMs: hands ? undefined : next?.fromMs,
    lastInferred: segments
      .filter((live) => live.status === 'inferred' && live.segment.hands)
      .sort((a, b) => a.toMs - b.toMs)
      .at(-1),
    finishMs: segments.reduce((latest, live) => Math.max(latest, live.toMs), begun),
    allDone: walk.running && !hands && !next,
  }
}

/** False once a step has put something on the skin that has to come off, until it is off. */
export function mayLeaveOut(live: Pick<Live, 'segments'>, stepId: string): boolean {
  const own = live.segments.filter(
    (one) => one.segment.stepId === stepId && one.segment.kind !== 'prepare',
  )
  return (
    !own.some((one) => one.segment.kind === 'remove') || !own.some((one) => BEGUN.has(one.status))
  )
}
const BEGUN: ReadonlySet<LiveSegment['status']> = new Set(['done', 'inferred', 'now'])

/** The step that can be left out now: what the hands are at, or what they come to next. Undefined: nothing, it lies on the skin. */
export function skippable(live: Live): string | undefined {
  return [live.hands, live.next]
    .map((one) => one?.segment.stepId)
    .find((stepId) => stepId !== undefined && mayLeaveOut(live, stepId))
}

interface Walk {
  readonly state: Omit<RunState<Ladder>, 'plan'>
  readonly nowMs: number
  readonly running: boolean
  cursorMs: number
  readonly found: Map<string, LiveSegment>
  /** Something before this waits for a word: nothing after it is inferred. */
  blocked: boolean
  /** Removal (or later coat) → the dwell directly before it. */
  readonly dwellOf: ReadonlyMap<string, PlacedSegment>
}

const handsOrder = (segments: readonly PlacedSegment[]): PlacedSegment[] =>
  segments.filter((segment) => segment.hands).sort((a, b) => a.startS - b.startS || a.endS - b.endS)
const lengthMs = (segment: PlacedSegment): number => (segment.endS - segment.startS) * 1000

function dwellsBefore(segments: readonly PlacedSegment[]): Map<string, PlacedSegment> {
  const before = new Map<string, PlacedSegment>()
  for (const dwell of segments.filter((segment) => segment.kind === 'dwell')) {
    const follower = segments.find(
      (segment) =>
        segment.stepId === dwell.stepId && segment.startS === dwell.endS && segment.hands,
    )
    if (follower) before.set(follower.id, dwell)
  }
  return before
}

function step(walk: Walk, segment: PlacedSegment) {
  const { state, nowMs } = walk
  const log = state.segments.get(segment.id)
  if (state.skipped.has(segment.stepId))
    return void walk.found.set(segment.id, {
      segment,
      status: 'skipped',
      fromMs: walk.cursorMs,
      toMs: walk.cursorMs,
    })
  const dwell = walk.dwellOf.get(segment.id)
  const earliest = dwell
    ? Math.max(walk.cursorMs, dwellStart(walk, dwell) + lengthMs(dwell))
    : idleStart(walk, segment)
  const fromMs = log?.startedMs ?? Math.min(earliest, log?.finishedMs ?? Infinity)
  const plannedEnd = fromMs + lengthMs(segment)
  const put = (status: LiveSegment['status'], toMs: number, beginsMs = fromMs) => {
    walk.found.set(segment.id, { segment, status, fromMs: beginsMs, toMs })
    walk.cursorMs = toMs
  }
  if (log?.finishedMs !== undefined) return put('done', log.finishedMs)
  const mayBegin =
    walk.running && !walk.blocked && (log?.startedMs !== undefined || (fromMs <= nowMs && !dwell))
  // What waits for a word, a removal above all, begins now at the earliest: its forecast and all after it move with the clock.
  if (!mayBegin) {
    const beginsMs = walk.running ? Math.max(fromMs, nowMs) : fromMs
    put('ahead', beginsMs + lengthMs(segment), beginsMs)
    walk.blocked = true
    return
  }
  // A gate waits for its answer; an answer given is its end.
  const inferrable = !dwell && log?.stillMs === undefined && segment.gate === undefined
  if (inferrable && plannedEnd <= nowMs) return put('inferred', plannedEnd)
  put('now', Math.max(plannedEnd, nowMs))
  walk.blocked = true
}

/** Hands go straight on, but keep a planned rest: a step that waits for nothing starts when it was planned, at the earliest after what is before it. */
function idleStart(walk: Walk, segment: PlacedSegment): number {
  const settled = [...walk.found.values()].filter((live) => live.segment.endS <= segment.startS)
  const latest = settled.reduce(
    (best, live) =>
      live.segment.endS > best.segment.endS ||
      (live.segment.endS === best.segment.endS && live.toMs > best.toMs)
        ? live
        : best,
    settled[0]!,
  )
  return latest
    ? Math.max(walk.cursorMs, latest.toMs + (segment.startS - latest.segment.endS) * 1000)
    : walk.cursorMs + segment.startS * 1000
}

function dwellStart(walk: Walk, dwell: PlacedSegment): number {
  const apply = [...walk.found.values()]
    .filter(
      (live) =>
        live.segment.stepId === dwell.stepId &&
        live.segment.endS <= dwell.startS &&
        live.segment.kind !== 'prepare',
    )
    .at(-1)
  return apply ? apply.toMs : walk.cursorMs
}

/** A dwell or a dry-down: no hands, its time follows from what is before it on the skin. */
function passive(
  walk: Walk,
  segment: PlacedSegment,
  all: readonly PlacedSegment[],
  begun: number,
): LiveSegment {
  const before = [...walk.found.values()]
    .filter(
      (live) =>
        live.segment.stepId === segment.stepId &&
        live.segment.endS <= segment.startS &&
        live.segment.kind !== 'prepare',
    )
    .at(-1)
  const fromMs = before?.toMs ?? begun + segment.startS * 1000
  const skipped = walk.state.skipped.has(segment.stepId)
  const onSkin = before !== undefined && (before.status === 'done' || before.status === 'inferred')
  const follower = all.find((other) => walk.dwellOf.get(other.id) === segment)
  const removal = follower && walk.found.get(follower.id)
  const removing = removal && (removal.status === 'done' || removal.status === 'now')
  const toMs = removing
    ? removal.fromMs
    : follower
      ? Math.max(fromMs + lengthMs(segment), onSkin ? walk.nowMs : 0)
      : fromMs + lengthMs(segment)
  const over = removing || (!follower && toMs <= walk.nowMs)
  return {
    segment,
    status: skipped ? 'skipped' : !onSkin ? 'ahead' : over ? 'done' : 'now',
    fromMs,
    toMs,
  }
}

function layersAt(
  walk: Walk,
  segments: readonly LiveSegment[],
  all: readonly PlacedSegment[],
): Layer[] {
  return segments
    .filter((live) => live.segment.kind === 'dwell' && live.status === 'now')
    .map(({ segment, fromMs }) => ({
      stepId: segment.stepId,
      segmentId: segment.id,
      sinceMs: fromMs,
      dueMs: fromMs + lengthMs(segment),
      latestMs: fromMs + Math.max(segment.maxS * 1000, lengthMs(segment)),
      active: segment.active,
      removalId: all.find((other) => walk.dwellOf.get(other.id) === segment)?.id,
      zones: segment.zones,
    }))
    .sort((a, b) => a.dueMs - b.dueMs)
}
