/** Hands rest meanwhile; what lies on the skin goes on. Without an end it still lasts. Wall-clock milliseconds. */
export interface Pause {
  readonly fromMs: number
  readonly toMs?: number
}

/** Milliseconds of pauses between two moments; one that still lasts does so until `nowMs`. */
export const pausedBetween = (
  pauses: readonly Pause[],
  fromMs: number,
  toMs: number,
  nowMs: number,
): number =>
  pauses.reduce((sum, pause) => {
    const overlap = Math.min(toMs, pause.toMs ?? nowMs) - Math.max(fromMs, pause.fromMs)
    return sum + Math.max(0, overlap)
  }, 0)

/** When work of a length that began then is done: pauses on the way are no work. */
export function endOfWork(
  pauses: readonly Pause[],
  fromMs: number,
  lengthMs: number,
  nowMs: number,
): number {
  let endMs = fromMs + lengthMs
  for (const pause of pauses) {
    if (pause.fromMs >= endMs) break
    endMs += Math.max(0, (pause.toMs ?? nowMs) - Math.max(fromMs, pause.fromMs))
  }
  return endMs
}

/** The moment itself, or the end of the pause it lies in. */
export function afterPause(pauses: readonly Pause[], ms: number, nowMs: number): number {
  const pause = pauses.find(({ fromMs, toMs }) => fromMs <= ms && ms < (toMs ?? nowMs))
  return pause ? (pause.toMs ?? nowMs) : ms
}

/** Whether hands rest now. */
export const isPaused = (pauses: readonly Pause[]): boolean =>
  pauses.some(({ toMs }) => toMs === undefined)

/** Whether hands rest now and did already at that moment: then nothing has begun by itself. */
export const restsSince = (pauses: readonly Pause[], ms: number): boolean =>
  pauses.some(({ fromMs, toMs }) => toMs === undefined && fromMs <= ms)
