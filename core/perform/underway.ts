import type { Underway } from '../adapt/ladder'
import type { Pin } from '../schedule/problem'
import type { Live } from './live'
import type { RunState } from './state'

/** A running visit as `compile` takes it: what has begun, in whole seconds from its start, and what was left out. */
export function underwayOf(
  state: Pick<RunState, 'startedMs' | 'skipped' | 'segments'>,
  live: Live,
  nowMs: number,
): Underway {
  const startMs = state.startedMs ?? nowMs
  const seconds = (ms: number): number => Math.max(0, Math.round((ms - startMs) / 1000))
  const begun = new Map<string, Pin>()
  for (const { segment, status, fromMs, toMs } of live.segments) {
    if (status === 'done' || status === 'inferred')
      begun.set(segment.id, {
        startS: seconds(fromMs),
        endS: Math.max(seconds(fromMs), seconds(toMs)),
      })
    // What the clock would begin this very second has not been touched yet.
    if (
      status === 'now' &&
      (seconds(fromMs) < seconds(nowMs) || state.segments.get(segment.id)?.startedMs !== undefined)
    )
      begun.set(segment.id, { startS: seconds(fromMs) })
  }
  const lasts = new Map(
    live.layers.flatMap(({ segmentId, dueMs }) => {
      const dwell = live.segments.find(({ segment }) => segment.id === segmentId)!
      if (!dwell.segment.fromTouch) return []
      return [[segmentId, Math.max(0, seconds(dueMs) - seconds(dwell.fromMs))] as const]
    }),
  )
  return { nowS: seconds(nowMs), begun, lasts, leftOut: new Set(state.skipped.keys()) }
}
