import type { Place } from '../protocol/words'
import { CHANGE_OVER_S } from '../protocol/change-over'
import type { Layer, Live, LiveSegment } from './live'
import { levelOf, mayComeOff, type LayerLevel } from './level'

/** What keeps whoever performs with a client: what is half on or half off, opens the skin, or is stayed with. Wall-clock milliseconds. */
interface Bound {
  readonly stepId: string
  readonly by: 'hands' | Exclude<Place, 'away'>
  readonly isNow: boolean
  readonly fromMs: number
  readonly toMs: number
}

/** What still binds somebody to a client as it goes, in order of its beginning. Other work of hands rests whenever it has to. */
function boundAhead({ segments }: Pick<Live, 'segments'>, nowMs: number): Bound[] {
  const stayed = new Set(segments.filter(isStayedWith).map(({ segment }) => segment.stepId))
  return segments
    .filter(({ status, toMs }) => status === 'now' || (status === 'ahead' && toMs > nowMs))
    .flatMap((live): Bound[] => {
      const by = boundBy(live.segment, stayed)
      const { status, fromMs, toMs } = live
      if (by === 'away') return []
      return [{ stepId: live.segment.stepId, by, isNow: status === 'now', fromMs, toMs }]
    })
    .sort((a, b) => a.fromMs - b.fromMs)
}

/** How a segment binds: by hands where it is half on, half off or opens the skin; a layer by whoever it wants near. */
function boundBy(
  { stepId, kind, hands, presence, asksLot }: LiveSegment['segment'],
  stayed: ReadonlySet<string>,
): Bound['by'] | 'away' {
  if (!hands) return presence
  const isHeld = kind === 'remove' || asksLot || (kind === 'apply' && stayed.has(stepId))
  return isHeld ? 'hands' : 'away'
}

const isStayedWith = ({ segment: { kind, presence, active } }: LiveSegment): boolean =>
  kind === 'dwell' && (presence !== 'away' || active)

/** Why nobody may leave now, and when that is over. */
export interface Stay {
  readonly stepId: string
  readonly by: Bound['by'] | 'off'
  readonly freeMs: number
}

/**
 * What keeps whoever performs here now, and until when: hands at work, a layer that somebody stays with, and one that is due to come off. Undefined where
 * the client may be left, with the call bell.
 */
export function staysFor(live: Pick<Live, 'segments' | 'layers'>, nowMs: number): Stay | undefined {
  const bounds = boundAhead(live, nowMs)
  const first = bounds.find(({ isNow }) => isNow)
  if (first) return { stepId: first.stepId, by: first.by, freeMs: freeFrom(bounds, first, nowMs) }
  const due = comingOff(live).find((layer) => mayComeOff(layer, nowMs))
  const off = due && live.segments.find(({ segment }) => segment.id === due.removalId)
  return due && off && { stepId: due.stepId, by: 'off', freeMs: off.toMs }
}

/** When hands may go, once one thing keeps them: what follows of the same step does too, and what somebody stays with; another step is not begun before they go. */
function freeFrom(bounds: readonly Bound[], first: Bound, fromMs: number): number {
  let freeMs = Math.max(fromMs, first.toMs)
  const steps = new Set([first.stepId])
  for (const { by, stepId, fromMs: beginMs, toMs } of bounds) {
    const keeps = by !== 'hands' || steps.has(stepId)
    if (beginMs > freeMs || toMs <= freeMs || !keeps) continue
    freeMs = toMs
    steps.add(stepId)
  }
  return freeMs
}

/** What a room asks for next: something comes off, hands are waited for, or everything is done. */
export type NextDue =
  | {
      readonly kind: 'off'
      readonly stepId: string
      readonly atMs: number
      readonly level: LayerLevel
    }
  | { readonly kind: 'hands'; readonly stepId: string }
  | { readonly kind: 'done' }

/** What a room next asks of whoever is elsewhere: the layer that comes off first, else its hands. */
export function nextDue(live: Pick<Live, 'layers' | 'hands' | 'next'>, nowMs: number): NextDue {
  const [first] = comingOff(live)
  if (first) {
    const { stepId, dueMs } = first
    return { kind: 'off', stepId, atMs: dueMs, level: levelOf(first, nowMs) }
  }
  const hands = live.hands ?? live.next
  return hands ? { kind: 'hands', stepId: hands.segment.stepId } : { kind: 'done' }
}

/** Layers that somebody has to take off, the first first. */
const comingOff = ({ layers }: Pick<Live, 'layers'>): Layer[] =>
  layers.filter(({ removalId }) => removalId !== undefined).sort((a, b) => limitOf(a) - limitOf(b))

/** Until when it may lie: what works has its time as its limit (rule D24), what does not its maximum. */
const limitOf = ({ active, dueMs, latestMs }: Layer): number => (active ? dueMs : latestMs)

/** Two clients want the same pair of hands: a layer there has to come off while this one here keeps them. */
export interface Clash {
  readonly there: string
  readonly atMs: number
  readonly here: string
  /** When they could be there, clean. */
  readonly freeMs: number
}

/**
 * The first layer of another room that would lie past its limit, because what is done here keeps whoever performs. As both go now; undefined where hands get
 * round to everything in time.
 */
export function clashWith(
  here: Pick<Live, 'segments'>,
  there: Pick<Live, 'layers'>,
  nowMs: number,
): Clash | undefined {
  const bounds = boundAhead(here, nowMs)
  return comingOff(there).flatMap((layer) => {
    const limitMs = limitOf(layer)
    // Whoever would be there too late leaves before what keeps them begins, if that is early enough.
    const dueMs = Math.max(nowMs, Math.min(layer.dueMs, limitMs - CHANGE_OVER_S * 1000))
    const holds = bounds.find(({ fromMs, toMs }) => fromMs <= dueMs && toMs > dueMs)
    if (!holds) return []
    const freeMs = freeFrom(bounds, holds, dueMs) + CHANGE_OVER_S * 1000
    if (freeMs <= limitMs) return []
    return [{ there: layer.stepId, atMs: limitMs, here: holds.stepId, freeMs }]
  })[0]
}
