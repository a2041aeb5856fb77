import type { Layer } from './live'

/** How urgent a layer is: it lies, hands get ready, it is due, it is past that, it is past what its maker or a rule allows. */
export type LayerLevel = 'on' | 'ready' | 'due' | 'past' | 'most'

/** So long before the limit of an active layer hands are called, and so long an inert one says that it is due. */
const READY_MS = 30_000
const DUE_MS = 30_000

/**
 * The level of a layer at one instant. An active layer's time is its limit (rule D24): hands are called before it. An inert one may lie on
 * for half a minute before it counts as past.
 */
export function levelOf(
  { active, dueMs, latestMs }: Pick<Layer, 'active' | 'dueMs' | 'latestMs'>,
  nowMs: number,
): LayerLevel {
  if (nowMs >= latestMs) return 'most'
  if (active) {
    if (nowMs >= dueMs) return 'past'
    return nowMs >= dueMs - READY_MS ? 'ready' : 'on'
  }
  if (nowMs < dueMs) return 'on'
  return nowMs < dueMs + DUE_MS ? 'due' : 'past'
}

/** It is due and asked for its sign: it may be waited for a minute more, up to its maximum. Never what works. */
export const mayWait = (
  { active, dueMs, latestMs }: Pick<Layer, 'active' | 'dueMs' | 'latestMs'>,
  nowMs: number,
): boolean => !active && nowMs >= dueMs && nowMs < latestMs

/** Hands may take it off with one tap: it is due, or hands have been called. */
export const mayComeOff = (layer: Parameters<typeof levelOf>[0], nowMs: number): boolean =>
  levelOf(layer, nowMs) !== 'on'
