import type { PlacedSegment } from '../adapt/plan'
import { cabinetCloth, clothName, forRemoval } from '../mixing'
import type { Live } from './live'
import { partOf, type Guided } from './part'

/** A cloth out of the cabinet is too hot at first: when it is taken out so that it is ready in time. */
export interface Fetch {
  readonly segmentId: string
  /** "warm towel". */
  readonly cloth: string
  /** What it is tried for at the wrist, °C. */
  readonly targetC: number
  /** So long before it may touch. */
  readonly readyInS: number
  /** Taken out now; wall clock. Before that: get ready to. */
  readonly outMs: number
}

/** It is said this long before. */
const SAID_BEFORE_MS = 30_000

/** The cloth that has to come out of the cabinet first, from half a minute before that until it is needed; undefined while none does. */
export function fetchAt(guided: Guided, live: Live, nowMs: number): Fetch | undefined {
  return live.segments
    .filter(({ segment, status }) => segment.kind === 'remove' && status === 'ahead')
    .flatMap(({ segment, fromMs }) => fetchFor(guided, segment, fromMs))
    .sort((a, b) => a.outMs - b.outMs)
    .find(({ outMs }) => nowMs >= outMs - SAID_BEFORE_MS)
}

function fetchFor(guided: Guided, placed: PlacedSegment, fromMs: number): Fetch[] {
  const part = partOf(guided, placed)
  const laid = part && forRemoval(part.segment, part.product)
  const cabinet = laid && cabinetCloth(part.segment, laid)
  if (!cabinet) return []
  const outMs = fromMs - cabinet.readyInS * 1000
  return [{ segmentId: placed.id, cloth: clothName(part.segment, laid), outMs, ...cabinet }]
}
