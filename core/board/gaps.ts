/** A stretch of the day, in ms since 1970. */
export interface Stretch {
  readonly fromMs: number
  readonly toMs: number
}
const MINUTE_MS = 60_000

/** Where a room is free: the time in which the salon is open, less what is taken there (turnover included), from `notBeforeMs` on, at least so many minutes. */
export function gapsOf(
  open: readonly Stretch[],
  taken: readonly Stretch[],
  leastMinutes: number,
  notBeforeMs: number,
): Stretch[] {
  const inOrder = [...taken].sort((a, b) => a.fromMs - b.fromMs)
  return open.flatMap(({ fromMs, toMs }) => {
    const gaps: Stretch[] = []
    let at = Math.max(fromMs, notBeforeMs)
    for (const one of inOrder) {
      if (one.toMs <= at) continue
      if (one.fromMs >= toMs) break
      if (one.fromMs > at) gaps.push({ fromMs: at, toMs: Math.min(one.fromMs, toMs) })
      at = Math.max(at, one.toMs)
    }
    if (at < toMs) gaps.push({ fromMs: at, toMs })
    return gaps.filter((gap) => gap.toMs - gap.fromMs >= leastMinutes * MINUTE_MS)
  })
}

interface Timed {
  readonly minutes: number
}
/** The cards that fit a gap with the room's turnover after them, the longest first: that is what the gap is worth. */
export const fitting = <Card extends Timed>(
  { fromMs, toMs }: Stretch,
  cards: readonly Card[],
  turnoverMinutes: number,
): Card[] =>
  cards
    .filter(({ minutes }) => (minutes + turnoverMinutes) * MINUTE_MS <= toMs - fromMs)
    .sort((a, b) => b.minutes - a.minutes)
