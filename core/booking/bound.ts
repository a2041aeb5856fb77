import { CHANGE_OVER_S, type Place } from '../protocol'
import type { Span } from './free'

/** Seconds of a visit, from its start. */
export interface BoundSpan {
  readonly fromS: number
  readonly toS: number
}

/** Nobody goes to another client for less; whole seconds, with the way there and back (house figure). */
const LEAST_AWAY_S = 5 * 60

/**
 * When a visit binds whoever performs it: hands at work, and layers that somebody stays with, in order, with the change-over after each. Gaps too short to be of use to
 * another client are bound as well.
 */
export function boundSpans(
  segments: readonly {
    readonly startS: number
    readonly endS: number
    readonly hands: boolean
    readonly presence: Place
  }[],
): BoundSpan[] {
  const binding = segments
    .filter(({ hands, presence }) => hands || presence !== 'away')
    .map(({ startS, endS }) => ({ fromS: startS, toS: endS + CHANGE_OVER_S }))
    .sort((a, b) => a.fromS - b.fromS)
  const spans: BoundSpan[] = []
  for (const span of binding) {
    const last = spans.at(-1)
    if (last && span.fromS - last.toS < LEAST_AWAY_S)
      spans[spans.length - 1] = { fromS: last.fromS, toS: Math.max(last.toS, span.toS) }
    else spans.push(span)
  }
  return spans
}

/** Whether work goes from one to the other and back: one that only waits until the other is over takes no turns. */
export function alternates(own: readonly Span[], others: readonly Span[]): boolean {
  const all = [
    ...own.map(({ fromMs }) => ({ fromMs, isOwn: true })),
    ...others.map(({ fromMs }) => ({ fromMs, isOwn: false })),
  ].sort((a, b) => a.fromMs - b.fromMs)
  const changes = all.slice(1).filter(({ isOwn }, at) => isOwn !== all[at]!.isOwn)
  return changes.length > 1
}
