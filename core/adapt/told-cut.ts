import { goneWith } from '../protocol/family'
import type { Segment, Step } from '../protocol/model'
import { usualSeconds } from '../protocol/segments'
import { inMinutes } from '../quantity/time'
import type { Change } from './change'
import { slotSecondsOf } from './input'
import { hasBegun } from './ladder'
import { isOptional } from './slot'
import { allowedOf, changesForTime, stuckOf } from './slot-of'
import { readyFor } from './time-stage'
import type { Visit } from './visit'

/** A ladder as it was cut elsewhere. */
export interface ToldCut {
  readonly steps: readonly Step[]
  readonly changes: readonly Change[]
}

/**
 * The ladder with what a tablet cut for time, as far as it may be cut: where somebody has said when the visit ends, what is optional and has
 * not begun may be left out together with what goes with it, and may take less, but never less than its least. No search is made; whether
 * it had to be cut is nobody's harm. Where a cut is none of these, or the rules do not accept what is left, the ladder comes back whole.
 */
export function cutAsTold(told: readonly Step[], ladder: readonly Step[], visit: Visit): ToldCut {
  const whole = { steps: ladder, changes: [] }
  if (!visit.running || visit.input.endS === undefined) return whole
  const dropped = droppedIn(told, ladder, visit)
  const toldById = new Map(told.map((step) => [step.id, step]))
  const { underway } = visit.running
  const steps = ladder
    .filter((step) => !dropped.has(step.id))
    .map((step) => (hasBegun(step, underway) ? step : shorterAs(toldById.get(step.id), step)))
  const times = steps.flatMap((step) => {
    const before = ladder.find(({ id }) => id === step.id)!
    const [fromS, toS] = [usualSeconds(before), usualSeconds(step)]
    return fromS === toS ? [] : [{ stepId: step.id, fromS, toS }]
  })
  if (dropped.size === 0 && times.length === 0) return whole
  if (!allowedOf(readyFor(ladder, visit))(steps)) return whole
  const why = `The visit has to end after ${inMinutes(slotSecondsOf(visit.input))} min in all.`
  const cut = { dropped: [...dropped], swapped: [], times }
  return { steps, changes: changesForTime(ladder, cut, why) }
}

/** What is missing there and may be: optional, not begun, and everything that goes with it. */
function droppedIn(
  told: readonly Step[],
  ladder: readonly Step[],
  { running, input }: Visit,
): ReadonlySet<string> {
  const there = new Set(told.map(({ id }) => id))
  const stuck = stuckOf(ladder, running?.underway)
  const mustStay = new Set(input.fit?.mustStay ?? [])
  const missing = ladder.filter(({ id }) => !there.has(id))
  const own = missing.filter((step) => isOptional(step) && !stuck.has(step.id))
  const gone = goneWith(ladder, new Set(own.map(({ id }) => id).filter((id) => !mustStay.has(id))))
  return [...gone].every((id) => !there.has(id)) ? gone : new Set()
}

/** The step in as many seconds as told, where each part has at least its least and no more than it had. */
function shorterAs(told: Step | undefined, own: Step): Step {
  const seconds = new Map(told?.segments.map(({ id, usualS }) => [id, usualS]))
  const isWithin = ({ id, minS, usualS }: Segment): boolean => {
    const toS = seconds.get(id) ?? usualS
    return minS <= toS && toS <= usualS
  }
  if (!own.segments.every(isWithin)) return own
  return {
    ...own,
    segments: own.segments.map((part) => ({
      ...part,
      usualS: seconds.get(part.id) ?? part.usualS,
    })),
  }
}
