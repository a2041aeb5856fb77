import type { PlacedSegment } from '../adapt/plan'
import { handsBefore, lengthMs, type LiveSegment, type Walk } from './walk'

/** One layer processing on the skin. */
export interface Layer {
  readonly stepId: string
  readonly segmentId: string
  readonly sinceMs: number
  /** When it should come off, and when it must by its maker or a rule. */
  readonly dueMs: number
  readonly latestMs: number
  /** It works: when it is due is its limit (rule D24). */
  readonly active: boolean
  readonly removalId: string | undefined
  readonly zones: PlacedSegment['zones']
}

/** What acts from its first touch and waits to be touched: that begins its clock of `lastsMs`. */
export interface FirstTouch {
  readonly at: LiveSegment
  readonly lastsMs: number
}

export function touchAt(
  { contacts, nowMs, running }: Walk,
  next: LiveSegment | undefined,
): FirstTouch | undefined {
  if (!running || !next || next.fromMs > nowMs) return undefined
  const contact = [...contacts.values()].find(({ firstId }) => firstId === next.segment.id)
  return contact && { at: next, lastsMs: contact.lastsMs }
}

/** The first touch of an active layer, where somebody has said it. */
export function touchedMs({ contacts, state }: Walk, dwell: PlacedSegment): number | undefined {
  const contact = contacts.get(dwell.id)
  return contact && state.segments.get(contact.firstId)?.startedMs
}

/** When a layer should come off: so long after its first touch, or after it is on; a minute later each time its sign was not there yet. */
export function dueAt(walk: Walk, dwell: PlacedSegment): number {
  const sinceMs = touchedMs(walk, dwell)
  if (sinceMs !== undefined) return sinceMs + walk.contacts.get(dwell.id)!.lastsMs
  const onMs = handsBefore(walk, dwell)?.toMs ?? walk.cursorMs
  return waitedFor(walk, dwell, onMs + lengthMs(dwell), latestOf(dwell, onMs))
}

const latestOf = (dwell: PlacedSegment, onMs: number): number =>
  onMs + Math.max(dwell.maxS * 1000, lengthMs(dwell))

/** What works has its time as its limit (rule D24): it is not waited for. */
function waitedFor({ state }: Walk, dwell: PlacedSegment, dueMs: number, latestMs: number): number {
  const said = dwell.active ? [] : (state.notYet.get(dwell.id) ?? [])
  return said.reduce((due, saidMs) => Math.min(latestMs, Math.max(due, saidMs) + A_MINUTE), dueMs)
}
const A_MINUTE = 60_000

export function layersAt(
  walk: Walk,
  segments: readonly LiveSegment[],
  all: readonly PlacedSegment[],
): Layer[] {
  return segments
    .filter(({ segment, status }) => segment.kind === 'dwell' && liesOn(walk, segment, status))
    .map(({ segment, fromMs }) => ({
      stepId: segment.stepId,
      segmentId: segment.id,
      ...timesOf(walk, segment, fromMs),
      active: segment.active || segment.fromTouch === true,
      removalId: all.find((other) => walk.dwellOf.get(other.id) === segment)?.id,
      zones: segment.zones,
    }))
    .sort((a, b) => a.dueMs - b.dueMs)
}

/** An active layer lies there from its first touch, while it still goes on. */
const liesOn = (walk: Walk, dwell: PlacedSegment, status: LiveSegment['status']): boolean =>
  status === 'now' || (status === 'ahead' && touchedMs(walk, dwell) !== undefined)

function timesOf(
  walk: Walk,
  dwell: PlacedSegment,
  fromMs: number,
): Pick<Layer, 'sinceMs' | 'dueMs' | 'latestMs'> {
  const sinceMs = touchedMs(walk, dwell)
  if (sinceMs === undefined) {
    const latestMs = latestOf(dwell, fromMs)
    const dueMs = waitedFor(walk, dwell, fromMs + lengthMs(dwell), latestMs)
    return { sinceMs: fromMs, dueMs, latestMs }
  }
  const { lastsMs, mostMs } = walk.contacts.get(dwell.id)!
  return { sinceMs, dueMs: sinceMs + lastsMs, latestMs: sinceMs + mostMs }
}
