import type { Underway } from '../adapt/ladder'
import type { Pin } from '../schedule/problem'
import type { Live } from './live'
import { morePassesMs } from './passes'
import { pausedBetween } from './pauses'
import { openedAgain } from './refusing'
import type { RunState } from './state'

/** A running visit as `compile` takes it: what has begun, in whole seconds from its start, and what was left out. */
export function underwayOf(
  state: Pick<RunState, 'startedMs' | 'skipped' | 'segments' | 'pauses' | 'passes' | 'refused'>,
  live: Live,
  nowMs: number,
): Underway {
  const startMs = state.startedMs ?? nowMs
  const seconds = (ms: number): number => Math.max(0, Math.round((ms - startMs) / 1000))
  const begun = new Map<string, Pin>()
  const anew = openedAgain(state.refused)
  for (const { segment, status, fromMs, toMs } of live.segments) {
    if (anew.has(segment.stepId)) continue
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
  const lasts = new Map([...handsLast(state, live, nowMs), ...layersLast(live, seconds)])
  return { nowS: seconds(nowMs), begun, lasts, leftOut: new Set(state.skipped.keys()) }
}

/** How long an active layer that was touched works in all, once it is on. */
const layersLast = (live: Live, seconds: (ms: number) => number): (readonly [string, number])[] =>
  live.layers.flatMap(({ segmentId, dueMs }) => {
    const dwell = live.segments.find(({ segment }) => segment.id === segmentId)!
    if (!dwell.segment.fromTouch) return []
    return [[segmentId, Math.max(0, seconds(dueMs) - seconds(dwell.fromMs))] as const]
  })

/** How long work in hand takes in all: as it was placed, longer by as much as hands have rested in it and by what was done again since. */
function handsLast(
  { pauses, passes }: Pick<RunState, 'pauses' | 'passes'>,
  { hands }: Live,
  nowMs: number,
): (readonly [string, number])[] {
  if (!hands) return []
  const moreMs =
    pausedBetween(pauses, hands.fromMs, nowMs, nowMs) + morePassesMs(passes, hands.segment)
  const { id, startS, endS } = hands.segment
  return [[id, endS - startS + Math.round(moreMs / 1000)]]
}
