import type { FittedPlan, PlacedSegment } from '../adapt/plan'
import type { Sensation } from '../catalog/model'
import type { RunEvent } from './events'
import { liveAt, mayLeaveOut } from './live'

/** What happened to one segment, by events alone; wall-clock milliseconds. */
export interface SegmentLog { readonly startedMs?: number; readonly finishedMs?: number; /** Not inferred as finished any more. */ readonly stillMs?: number }
export interface Felt { readonly stepId: string; readonly sensation: Sensation; readonly atMs: number; readonly eventId: string }

/** The state of a run: a function of the plan and the set of events, whatever their order of arrival. */
export interface RunState {
  readonly startedMs: number | undefined
  readonly finishedMs: number | undefined
  readonly segments: ReadonlyMap<string, SegmentLog>
  readonly skipped: ReadonlyMap<string, string>
  readonly sensations: readonly Felt[]
  readonly comforts: readonly { readonly stepId: string; readonly measure: string; readonly atMs: number }[]
  readonly notes: readonly { readonly text: string; readonly atMs: number }[]
  readonly emergencyMs: number | undefined
  /** Events that count, in order. */
  readonly events: readonly RunEvent[]
}

const byTime = (a: RunEvent, b: RunEvent): number => a.wallMs - b.wallMs || (a.deviceId < b.deviceId ? -1 : a.deviceId > b.deviceId ? 1 : a.seq - b.seq) || (a.id < b.id ? -1 : 1)

/** Events once each, retracted ones out, in one order on every device. */
export function canonical(events: readonly RunEvent[]): RunEvent[] {
  const once = [...new Map(events.map((event) => [event.id, event])).values()]
  const retracted = new Set(once.flatMap((event) => (event.body.type === 'retract' ? [event.body.eventId] : [])))
  return once.filter((event) => !retracted.has(event.id)).sort(byTime)
}

/**
 * State of a run from its plan and events. Merging is commutative and idempotent: the first start, finish and removal of a
 * segment win, sensations unite. A removal cannot be skipped while its layer lies on skin: a `skipped` after it went on, by
 * word or by the clock, is kept as a note and does not take the layer off.
 */
export function reduceRun(plan: Pick<FittedPlan, 'segments'>, events: readonly RunEvent[]): RunState {
  const known = new Set(plan.segments.map((segment) => segment.id))
  const ordered = canonical(events)
  const state: Building = { startedMs: undefined, finishedMs: undefined, emergencyMs: undefined, segments: new Map(), skipped: new Map(), sensations: [], comforts: [], notes: [], events: ordered }
  for (const event of ordered) apply(state, event, known, plan.segments)
  return state
}

interface Building {
  startedMs: number | undefined
  finishedMs: number | undefined
  emergencyMs: number | undefined
  readonly segments: Map<string, SegmentLog>
  readonly skipped: Map<string, string>
  readonly sensations: Felt[]
  readonly comforts: { stepId: string; measure: string; atMs: number }[]
  readonly notes: { text: string; atMs: number }[]
  readonly events: readonly RunEvent[]
}

function apply(state: Building, event: RunEvent, known: ReadonlySet<string>, segments: readonly PlacedSegment[]) {
  const { body, wallMs } = event
  switch (body.type) {
    case 'start': state.startedMs ??= wallMs; break
    case 'finish': state.finishedMs ??= wallMs; break
    case 'emergency': state.emergencyMs ??= wallMs; break
    case 'started': if (known.has(body.segmentId)) note(state, body.segmentId, (log) => ({ ...log, startedMs: log.startedMs ?? wallMs })); break
    case 'finished': if (known.has(body.segmentId)) note(state, body.segmentId, (log) => ({ ...log, finishedMs: log.finishedMs ?? wallMs })); break
    case 'still': if (known.has(body.segmentId)) note(state, body.segmentId, (log) => ({ ...log, stillMs: log.stillMs ?? wallMs })); break
    case 'sensation': state.sensations.push({ stepId: body.stepId, sensation: body.sensation, atMs: wallMs, eventId: event.id }); break
    case 'comfort': state.comforts.push({ stepId: body.stepId, measure: body.measure, atMs: wallMs }); break
    case 'note': state.notes.push({ text: body.text, atMs: wallMs }); break
    case 'skipped': skip(state, body.stepId, body.reason, wallMs, segments); break
    case 'retract': break
  }
}

function note(state: Building, segmentId: string, change: (log: SegmentLog) => SegmentLog) {
  state.segments.set(segmentId, change(state.segments.get(segmentId) ?? {}))
}

function skip(state: Building, stepId: string, reason: string, wallMs: number, segments: readonly PlacedSegment[]) {
  if (!mayLeaveOut(liveAt({ segments }, state, wallMs), stepId)) state.notes.push({ text: `Wanted to skip ${stepId}: ${reason}. It lies on the skin and has to come off.`, atMs: wallMs })
  else if (!state.skipped.has(stepId)) state.skipped.set(stepId, reason)
}
