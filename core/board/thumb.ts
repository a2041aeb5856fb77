import type { PlacedSegment } from '../adapt'
import { onClient, unrolled, usesHands, type Step } from '../protocol'

/** A ladder in miniature, in seconds from its start: what hands do, and what lies on the skin. */
export interface Thumb {
  readonly totalS: number
  readonly hands: readonly Span[]
  readonly skin: readonly SkinSpan[]
}
interface Span {
  readonly fromS: number
  readonly toS: number
}
export interface SkinSpan extends Span {
  /** Something works by itself: a mask, a peel. Else hands are at it, or it settles. */
  readonly dwells: boolean
}

type Placed = Pick<PlacedSegment, 'kind' | 'startS' | 'endS' | 'hands'>

/** A fitted ladder in miniature. Mixing before the first touch is hands' work too, and begins before the visit does: it is cut off there. */
export function thumbOf(segments: readonly Placed[]): Thumb {
  const spans = segments.map(({ startS, endS, ...rest }) => ({
    ...{ fromS: Math.max(0, startS), toS: endS },
    ...rest,
  }))
  return {
    totalS: Math.max(0, ...spans.map(({ toS }) => toS)),
    hands: joined(spans.filter(({ hands }) => hands)),
    skin: spans
      .filter(onClient)
      .map(({ fromS, toS, kind }) => ({ fromS, toS, dwells: kind === 'dwell' })),
  }
}

/** A written ladder in miniature: one thing after another at its usual time; what hangs under a mask takes none. */
export function writtenThumb(steps: readonly Step[]): Thumb {
  const placed: Placed[] = []
  let atS = 0
  for (const part of steps
    .filter(({ floating }) => !floating)
    .flatMap((step) => unrolled(step).segments)) {
    placed.push({ kind: part.kind, startS: atS, endS: atS + part.usualS, hands: usesHands(part) })
    atS += part.usualS
  }
  return thumbOf(placed)
}

/** Spans that touch are one: what is drawn small is drawn plainly. */
function joined(spans: readonly Span[]): Span[] {
  const found: { fromS: number; toS: number }[] = []
  for (const { fromS, toS } of [...spans].sort((a, b) => a.fromS - b.fromS)) {
    const last = found.at(-1)
    if (last && fromS <= last.toS) last.toS = Math.max(last.toS, toS)
    else found.push({ fromS, toS })
  }
  return found
}
