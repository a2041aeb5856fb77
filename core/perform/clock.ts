import type { RunEvent } from './events'

const HOUR_MS = 3_600_000
/** How far from its visit's day a clock may be and still be believed. */
const SLACK_MS = 12 * HOUR_MS

/** The day of a visit, in milliseconds since 1970, and the moment at which its events arrived. */
export interface Day {
  readonly fromMs: number
  readonly toMs: number
  readonly nowMs: number
  /** What the clock of whoever sends them says at this moment, where that is told. */
  readonly clockMs?: number | undefined
}

/** Twelve hours around the visit's day; or around now, where somebody performs it on another day than it was booked for. */
export const isPossible = (wallMs: number, { fromMs, toMs, nowMs }: Day): boolean =>
  (wallMs >= fromMs - SLACK_MS && wallMs <= toMs + SLACK_MS) || Math.abs(wallMs - nowMs) <= SLACK_MS

/**
 * Events with times that can be. One whose clock is off by more than its visit's day is never lost for it: it is set right by as much as that
 * clock is wrong now; where that is not told, or helps nothing, it is put where its device's own count and running time have it beside what is
 * known (else: the newest has just arrived). It keeps what the clock said as `clockSaidMs`. `known`: what the log has of the visit already.
 */
export function withPossibleTimes(
  events: readonly RunEvent[],
  known: readonly RunEvent[],
  day: Day,
): RunEvent[] {
  const doubtful = events.filter(({ wallMs }) => !isPossible(wallMs, day))
  if (doubtful.length === 0) return [...events]
  const repaired = new Map<string, number>()
  for (const deviceId of new Set(doubtful.map((event) => event.deviceId))) {
    const own = [...known, ...events]
      .filter((event) => event.deviceId === deviceId)
      .sort((a, b) => a.seq - b.seq || a.elapsedMs - b.elapsedMs)
    for (const [id, wallMs] of timesOf(own, day)) repaired.set(id, wallMs)
  }
  for (const { id, wallMs } of doubtful) {
    const setRightMs = wallMs + (day.clockMs === undefined ? NaN : day.nowMs - day.clockMs)
    if (isPossible(setRightMs, day) && setRightMs <= day.nowMs) repaired.set(id, setRightMs)
  }
  return events.map((event) => {
    const wallMs = repaired.get(event.id)
    return wallMs === undefined ? event : { ...event, wallMs, clockSaidMs: event.wallMs }
  })
}

/** Possible times of one device's doubtful events, given in its own order. */
function timesOf(own: readonly RunEvent[], day: Day): Map<string, number> {
  const times = new Map<string, number>()
  const isSure = (event: RunEvent): boolean => isPossible(event.wallMs, day)
  const first = own.findIndex(isSure)
  // Forwards from what is known; what comes before anything known, backwards from it.
  let anchor = first === -1 ? { ...own.at(-1)!, wallMs: day.nowMs } : own[first]!
  if (first === -1) times.set(anchor.id, anchor.wallMs)
  const before = first === -1 ? own.slice(0, -1) : own.slice(0, first)
  let next = anchor
  for (const event of [...before].reverse()) {
    const wallMs = next.wallMs - ranBetween(event, next)
    times.set(event.id, wallMs)
    next = { ...event, wallMs }
  }
  for (const event of first === -1 ? [] : own.slice(first)) {
    const wallMs = isSure(event) ? event.wallMs : anchor.wallMs + ranBetween(anchor, event)
    if (!isSure(event)) times.set(event.id, wallMs)
    anchor = { ...event, wallMs }
  }
  return times
}

/** Milliseconds that ran on one page from one event to the next; none where the page was read anew between them, or no visit takes as long. */
function ranBetween(earlier: RunEvent, later: RunEvent): number {
  const ranMs = Math.round(later.elapsedMs - earlier.elapsedMs)
  return ranMs > 0 && ranMs <= SLACK_MS ? ranMs : 0
}

/**
 * By how much a tablet's clock is wrong: milliseconds to add to it, from what the server made of its newest doubtful event. 0 where it is right,
 * or has been set since.
 */
export function clockErrorMs(
  events: readonly RunEvent[],
  deviceId: string,
  clockMs: number,
): number {
  const doubtful = events
    .filter((event) => event.deviceId === deviceId && event.clockSaidMs !== undefined)
    .sort((a, b) => a.seq - b.seq)
    .at(-1)
  if (doubtful === undefined) return 0
  const errorMs = doubtful.wallMs - doubtful.clockSaidMs!
  const isStillWrong =
    Math.abs(clockMs - doubtful.clockSaidMs!) < Math.abs(clockMs - doubtful.wallMs)
  return isStillWrong ? errorMs : 0
}
