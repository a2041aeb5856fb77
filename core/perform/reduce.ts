import type { FittedPlan } from '../adapt/plan'
import type { Sensation } from '../catalog/model'
import type { Reading } from '../skin/model'
import type { RunEvent } from './events'
import { liveAt, mayLeaveOut } from './live'

/** What happened to one segment, by events alone; wall-clock milliseconds. */
export interface SegmentLog {
  readonly startedMs?: number
  readonly finishedMs?: number
  /** Not inferred as finished any more. */ readonly stillMs?: number
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

const byTime = (a: RunEvent, b: RunEvent): number =>
  a.wallMs - b.wallMs ||
  (a.deviceId < b.deviceId ? -1 : a.deviceId > b.deviceId ? 1 : a.seq - b.seq) ||
  (a.id < b.id ? -1 : 1)

/** Events once each, retracted ones out, in one order on every device. */
export function canonical(events: readonly RunEvent[]): RunEvent[] {
  const once = [...new Map(events.map((event) => [event.id, event])).values()]
  const retracted = new Set(
    once.flatMap((event) => (event.body.type === 'retract' ? [event.body.eventId] : [])),
  )
  return once.filter((event) => !retracted.has(event.id)).sort(byTime)
}

/**
 * State of a run from its plan and events. Merging is commutative and idempotent: the first start, finish and removal of a
 * segment win, sensations unite. A removal cannot be skipped while its layer lies on skin: a `skipped` after it went on, by
 * word or by the clock, is kept as a note and does not take the layer off.
 */
export function reduceRun<Plan extends Ladder>(
  plan: Plan,
  events: readonly RunEvent[],
): RunState<Plan> {
  const ordered = canonical(events)
  const state: Building<Plan> = {
    plan,
    startedMs: undefined,
    finishedMs: undefined,
    emergencyMs: undefined,
    segments: new Map(),
    skipped: new Map(),
    sensations: [],
    comforts: [],
    notes: [],
    checks: new Map(),
    stung: [],
    reading: undefined,
    events: ordered,
  }
  for (const event of ordered) apply(state, event)
  return state
}

interface Building<Plan extends Ladder> {
  plan: Plan
  startedMs: number | undefined
  finishedMs: number | undefined
  emergencyMs: number | undefined
  readonly segments: Map<string, SegmentLog>
  readonly skipped: Map<string, string>
  readonly sensations: Felt[]
  readonly comforts: { stepId: string; measure: string; atMs: number }[]
  readonly notes: { text: string; atMs: number }[]
  readonly checks: Map<string, 'calm' | 'stings'>
  readonly stung: string[]
  reading: Reading | undefined
  readonly events: readonly RunEvent[]
}

function apply<Plan extends Ladder>(state: Building<Plan>, event: RunEvent) {
  const { body, wallMs } = event
  const known = (segmentId: string): boolean =>
    state.plan.segments.some((segment) => segment.id === segmentId)
  switch (body.type) {
    case 'start':
      state.startedMs ??= wallMs
      break
    case 'finish':
      state.finishedMs ??= wallMs
      break
    case 'emergency':
      state.emergencyMs ??= wallMs
      break
    case 'started':
      if (known(body.segmentId))
        note(state, body.segmentId, (log) => ({ ...log, startedMs: log.startedMs ?? wallMs }))
      break
    case 'finished':
      if (known(body.segmentId))
        note(state, body.segmentId, (log) => ({ ...log, finishedMs: log.finishedMs ?? wallMs }))
      break
    case 'still':
      if (known(body.segmentId))
        note(state, body.segmentId, (log) => ({ ...log, stillMs: log.stillMs ?? wallMs }))
      break
    case 'sensation':
      state.sensations.push({
        stepId: body.stepId,
        sensation: body.sensation,
        atMs: wallMs,
        eventId: event.id,
      })
      break
    case 'comfort':
      state.comforts.push({ stepId: body.stepId, measure: body.measure, atMs: wallMs })
      break
    case 'note':
      state.notes.push({ text: body.text, atMs: wallMs })
      break
    case 'skipped':
      skip(state, body.stepId, body.reason, wallMs)
      break
    case 'checked':
      state.checks.set(body.stepId, state.checks.get(body.stepId) ?? body.answer)
      if (body.answer === 'stings' && body.productId !== undefined) state.stung.push(body.productId)
      break
    case 'read':
      state.reading = body.reading
      break
    // A stored plan is a whole one; a run that was begun on less of it keeps what it asked for.
    case 'replanned':
      state.plan = body.plan as unknown as Plan
      break
    case 'retract':
      break
  }
}

function note<Plan extends Ladder>(
  state: Building<Plan>,
  segmentId: string,
  change: (log: SegmentLog) => SegmentLog,
) {
  state.segments.set(segmentId, change(state.segments.get(segmentId) ?? {}))
}

function skip<Plan extends Ladder>(
  state: Building<Plan>,
  stepId: string,
  reason: string,
  wallMs: number,
) {
  if (!mayLeaveOut(liveAt(state.plan, state, wallMs), stepId))
    state.notes.push({
      text: `Wanted to skip ${stepId}: ${reason}. It lies on the skin and has to come off.`,
      atMs: wallMs,
    })
  else if (!state.skipped.has(stepId)) state.skipped.set(stepId, reason)
}
