import { minutes } from '../quantity/time'
import type { Segment, Step } from './model'
import type { Place } from './words'

/** Segments in which the practitioner's hands are busy. */
export const usesHands = (segment: Pick<Segment, 'kind'>): boolean =>
  segment.kind !== 'dwell' && segment.kind !== 'settle'

/** Where the practitioner stands for a hands-on segment: mixing and washing happen in the room, the rest at the client. */
export const placeOf = (segment: Pick<Segment, 'kind'>): Place =>
  segment.kind === 'prepare' || segment.kind === 'hygiene' ? 'room' : 'client'

/** On the client: everything but mixing and hand hygiene. */
export const onClient = (segment: Pick<Segment, 'kind'>): boolean =>
  segment.kind !== 'prepare' && segment.kind !== 'hygiene'

/** Presence a dwell asks for; a dwell that says nothing asks for nobody. */
export const presenceOf = (segment: Segment): Place =>
  segment.kind === 'dwell' ? (segment.presence ?? 'away') : 'away'

/** Usual seconds of a step, all segments one after another. */
export const usualSeconds = (step: Pick<Step, 'segments'>): number =>
  step.segments.reduce((sum, segment) => sum + segment.usualS, 0)

/** Minutes of processing, all dwells together. */
export const dwellSeconds = (step: Pick<Step, 'segments'>): number =>
  step.segments
    .filter((segment) => segment.kind === 'dwell')
    .reduce((sum, segment) => sum + segment.usualS, 0)

/** A segment from minutes: one figure (fixed within a third either way for hands) or min, usual, max. */
export function segment(
  id: string,
  kind: Segment['kind'],
  time: number | readonly [number, number, number],
  more: Partial<Segment> = {},
): Segment {
  const [min, usual, max] = typeof time === 'number' ? [time * 0.7, time, time * 1.5] : time
  return { id, kind, minS: minutes(min), usualS: minutes(usual), maxS: minutes(max), ...more }
}
