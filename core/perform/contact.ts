import type { PlacedSegment } from '../adapt/plan'

/** An active layer whose minutes run from its first touch (rule D24). */
export interface Contact {
  /** What is put on first: its first touch begins the clock. */
  readonly firstId: string
  /** From the first touch until it is due, as placed; milliseconds. */
  readonly lastsMs: number
  /** From the first touch until it must be off; milliseconds. */
  readonly mostMs: number
}

/** The contact of every dwell that runs from its first touch, by the dwell's id. */
export function contactsOf(segments: readonly PlacedSegment[]): ReadonlyMap<string, Contact> {
  return new Map(
    segments
      .filter(({ fromTouch }) => fromTouch)
      .flatMap((dwell) => {
        const contact = contactOf(dwell, segments)
        return contact ? [[dwell.id, contact] as const] : []
      }),
  )
}

/** What is put on without a break right before the dwell. */
function contactOf(dwell: PlacedSegment, segments: readonly PlacedSegment[]): Contact | undefined {
  const own = segments
    .filter(({ stepId, startS }) => stepId === dwell.stepId && startS <= dwell.startS)
    .sort((a, b) => b.startS - a.startS || b.endS - a.endS)
  let first: PlacedSegment | undefined
  for (const segment of own) {
    if (segment.id === dwell.id) continue
    if (segment.kind !== 'apply' || segment.endS !== (first ?? dwell).startS) break
    first = segment
  }
  if (!first) return undefined
  const puttingOnMs = (dwell.startS - first.startS) * 1000
  const lastsMs = puttingOnMs + (dwell.endS - dwell.startS) * 1000
  return {
    firstId: first.id,
    lastsMs,
    mostMs: Math.max(lastsMs, puttingOnMs + dwell.maxS * 1000),
  }
}
