import type { PlacedSegment } from '../adapt/plan'
import { contactsOf } from './contact'
import { dueAt, layersAt, touchAt, type FirstTouch, type Layer } from './layers'
import { afterPause, endOfWork, restsSince } from './pauses'
import type { Ladder, RunState, SegmentLog } from './state'
import { handsBefore, lengthMs, workMs, type LiveSegment, type Walk } from './walk'

export type { FirstTouch, Layer } from './layers'
export type { LiveSegment } from './walk'

export interface Live {
  readonly segments: readonly LiveSegment[]
  /** What the hands do now; undefined while they are free. */
  readonly hands: LiveSegment | undefined
  /** What the hands do next, and when. */
  readonly next: LiveSegment | undefined
  readonly layers: readonly Layer[]
  readonly touch: FirstTouch | undefined
  /** What opens the skin and waits for the lot of its cartridge. */
  readonly lot: LiveSegment | undefined
  readonly freeUntilMs: number | undefined
  /** The last segment the clock alone called finished: "still at it" takes it back. */
  readonly lastInferred: LiveSegment | undefined
  readonly finishMs: number
  readonly allDone: boolean
}

/**
 * The run at one instant. Hands-on segments follow one another by their planned length without a tap; a dwell runs from the
 * end of its apply, an active layer from its first touch, which somebody says (rule D24); a layer comes off only when somebody says so (a
 * removal after a dwell is never inferred).
 * Everything is derived from event times and `nowMs`: a reload shows the same second.
 */
export function liveAt(plan: Ladder, state: Omit<RunState<Ladder>, 'plan'>, nowMs: number): Live {
  const begun = state.startedMs ?? nowMs
  const contacts = contactsOf(plan.segments)
  const walk: Walk = {
    state,
    nowMs,
    running: state.startedMs !== undefined,
    cursorMs: begun,
    found: new Map(),
    blocked: false,
    dwellOf: dwellsBefore(plan.segments),
    contacts,
    offs: plan.segments.filter(({ kind }) => kind === 'remove'),
    touches: new Set([...contacts.values()].map(({ firstId }) => firstId)),
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
    touch: hands ? undefined : touchAt(walk, next),
    lot: !hands && next && isLotOpen(state, next.segment) ? next : undefined,
    freeUntilMs: hands ? undefined : next?.fromMs,
    lastInferred: segments
      .filter((live) => live.status === 'inferred' && live.segment.hands)
      .sort((a, b) => a.toMs - b.toMs)
      .at(-1),
    finishMs: segments.reduce((latest, live) => Math.max(latest, live.toMs), begun),
    allDone: walk.running && !hands && !next,
  }
}

/** Why a step cannot be left out any more: what it put on has to come off, or it is over and what followed it has its times. */
export function staysIn(live: Pick<Live, 'segments'>, stepId: string): 'on' | 'over' | undefined {
  const own = live.segments.filter(
    (part) => part.segment.stepId === stepId && part.segment.kind !== 'prepare',
  )
  if (own.length > 0 && own.every((run) => OVER.has(run.status))) return 'over'
  const isOn =
    own.some((run) => run.segment.kind === 'remove') && own.some((run) => BEGUN.has(run.status))
  return isOn ? 'on' : undefined
}
const OVER: ReadonlySet<LiveSegment['status']> = new Set(['done', 'inferred'])
const BEGUN: ReadonlySet<LiveSegment['status']> = new Set(['done', 'inferred', 'now'])

/** The step that can be left out now: what the hands are at, or what they come to next. Undefined: nothing, it lies on the skin. */
export function skippable(live: Live): string | undefined {
  return [live.hands, live.next]
    .map((run) => run?.segment.stepId)
    .find((stepId) => stepId !== undefined && staysIn(live, stepId) === undefined)
}

const handsOrder = (segments: readonly PlacedSegment[]): PlacedSegment[] =>
  segments.filter((segment) => segment.hands).sort((a, b) => a.startS - b.startS || a.endS - b.endS)
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

/** Where one hands-on segment stands, and what that leaves for the next. */
function step(walk: Walk, segment: PlacedSegment): void {
  const { state, nowMs } = walk
  if (state.skipped.has(segment.stepId)) return pass(walk, segment, 'skipped', walk.cursorMs)
  const log = state.segments.get(segment.id) ?? {}
  const fromMs = beginningOf(walk, segment, log)
  const plannedEndMs = endOfWork(state.pauses, fromMs, workMs(walk, segment), nowMs)
  if (log.finishedMs !== undefined) return pass(walk, segment, 'done', fromMs, log.finishedMs)
  const offMs = comesOffMs(walk, segment)
  if (offMs !== undefined) return cutShort(walk, segment, fromMs, offMs)
  if (!mayBegin(walk, segment, log, fromMs)) {
    // What waits for a word, a removal above all, begins now at the earliest: its forecast and all after it move with the clock.
    const beginsMs = walk.running ? Math.max(fromMs, nowMs) : fromMs
    pass(walk, segment, 'ahead', beginsMs, beginsMs + lengthMs(segment))
    walk.blocked = true
    return
  }
  if (mayBeInferred(walk, segment, log) && plannedEndMs <= nowMs)
    return pass(walk, segment, 'inferred', fromMs, plannedEndMs)
  pass(walk, segment, 'now', fromMs, Math.max(plannedEndMs, nowMs))
  walk.blocked = true
}

function pass(
  walk: Walk,
  segment: PlacedSegment,
  status: LiveSegment['status'],
  fromMs: number,
  toMs = fromMs,
): void {
  walk.found.set(segment.id, { segment, status, fromMs, toMs })
  walk.cursorMs = toMs
}

/** Somebody has said that it comes off: when. What is put on before that ends then at the latest, or is not put on any more. */
function comesOffMs({ state, offs }: Walk, { kind, stepId, startS }: PlacedSegment) {
  if (kind !== 'apply') return undefined
  return offs
    .filter((off) => off.stepId === stepId && off.startS > startS)
    .flatMap(({ id }) => state.segments.get(id)?.startedMs ?? [])
    .sort((a, b) => a - b)[0]
}

function cutShort(walk: Walk, segment: PlacedSegment, fromMs: number, offMs: number): void {
  if (fromMs >= offMs) return pass(walk, segment, 'skipped', walk.cursorMs)
  pass(walk, segment, 'done', fromMs, Math.min(offMs, fromMs + workMs(walk, segment)))
}

function beginningOf(walk: Walk, segment: PlacedSegment, log: SegmentLog): number {
  if (log.startedMs !== undefined) return log.startedMs
  const dwell = walk.dwellOf.get(segment.id)
  const earliestMs = dwell ? Math.max(walk.cursorMs, dueAt(walk, dwell)) : idleStart(walk, segment)
  const handsMs = afterPause(walk.state.pauses, earliestMs, walk.nowMs)
  return Math.min(handsMs, log.finishedMs ?? Infinity)
}

function mayBegin(walk: Walk, segment: PlacedSegment, log: SegmentLog, fromMs: number): boolean {
  if (!walk.running || walk.blocked) return false
  const waits =
    walk.dwellOf.has(segment.id) || walk.touches.has(segment.id) || isLotOpen(walk.state, segment)
  const byTheClock = fromMs <= walk.nowMs && !waits && !restsSince(walk.state.pauses, fromMs)
  return log.startedMs !== undefined || byTheClock
}

/** Nobody has said yet what the skin is opened with. */
const isLotOpen = (
  { cartridges }: Pick<RunState<Ladder>, 'cartridges'>,
  { stepId, asksLot }: PlacedSegment,
): boolean => asksLot === true && !cartridges.has(stepId)

/** A removal, something that is still going on and a gate wait for a word. */
const mayBeInferred = (walk: Walk, segment: PlacedSegment, log: SegmentLog): boolean =>
  !walk.dwellOf.has(segment.id) && log.stillMs === undefined && segment.gate === undefined

/** Hands go straight on, but keep a planned rest: a step that waits for nothing starts when it was planned, at the earliest after what is before it. */
function idleStart(walk: Walk, segment: PlacedSegment): number {
  const settled = [...walk.found.values()].filter((live) => live.segment.endS <= segment.startS)
  const [first, ...others] = settled
  if (!first) return walk.cursorMs + segment.startS * 1000
  const latest = others.reduce((best, live) => (endsAfter(live, best) ? live : best), first)
  const restMs = (segment.startS - latest.segment.endS) * 1000
  return Math.max(walk.cursorMs, latest.toMs + restMs)
}

/** Planned to end later, or at the same second and later in fact. */
const endsAfter = (live: LiveSegment, other: LiveSegment): boolean =>
  live.segment.endS > other.segment.endS ||
  (live.segment.endS === other.segment.endS && live.toMs > other.toMs)

/** A dwell or a dry-down: no hands, its time follows from what is before it on the skin. */
function passive(
  walk: Walk,
  segment: PlacedSegment,
  all: readonly PlacedSegment[],
  begunMs: number,
): LiveSegment {
  const before = handsBefore(walk, segment)
  const fromMs = before?.toMs ?? begunMs + segment.startS * 1000
  const follower = all.find((other) => walk.dwellOf.get(other.id) === segment)
  const removal = follower && walk.found.get(follower.id)
  const lying: Lying = {
    isOn: isOn(before),
    needsRemoval: follower !== undefined,
    removal: isComingOff(removal) ? removal : undefined,
    plannedEndMs: before ? Math.max(fromMs, dueAt(walk, segment)) : fromMs + lengthMs(segment),
  }
  const { status, toMs } = lyingAt(lying, walk.nowMs)
  const isSkipped = walk.state.skipped.has(segment.stepId)
  return { segment, status: isSkipped ? 'skipped' : status, fromMs, toMs }
}

/** How a layer lies on the skin. */
interface Lying {
  readonly isOn: boolean
  readonly needsRemoval: boolean
  readonly removal: LiveSegment | undefined
  readonly plannedEndMs: number
}

function lyingAt(
  { isOn, needsRemoval, removal, plannedEndMs }: Lying,
  nowMs: number,
): Pick<LiveSegment, 'status' | 'toMs'> {
  if (removal) return { status: isOn ? 'done' : 'ahead', toMs: removal.fromMs }
  if (!isOn) return { status: 'ahead', toMs: plannedEndMs }
  // What has to be taken off stays on until somebody says so.
  if (needsRemoval) return { status: 'now', toMs: Math.max(plannedEndMs, nowMs) }
  return { status: plannedEndMs <= nowMs ? 'done' : 'now', toMs: plannedEndMs }
}

const isOn = (before: LiveSegment | undefined): boolean =>
  before?.status === 'done' || before?.status === 'inferred'

const isComingOff = (removal: LiveSegment | undefined): removal is LiveSegment =>
  removal?.status === 'done' || removal?.status === 'now'
