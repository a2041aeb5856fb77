import type { FittedPlan, PlacedSegment } from '../adapt/plan'
import { zonesMeet } from '../skin/zones'

type Ladder = Pick<FittedPlan, 'steps' | 'segments'>

interface Node {
  /** Index of the step whose factor stretches it; undefined for what runs by itself. */
  readonly step: number | undefined
  readonly leastS: number
  /** What must have ended, by index; all lie before it. */
  readonly after: readonly number[]
  /** Rest that the plan keeps before it. */
  restS: number
}

/**
 * A fitted ladder as a net: hands go on in the planned order, a dwell runs from the end of its apply for at least its fitted time, what
 * lies on the same zones waits, and planned rests stay. Gives the whole visit's seconds for a factor per step on its hands-on time;
 * with every factor 1 it is the plan's own total.
 */
export function retimer(plan: Ladder): {
  readonly handsS: readonly number[]
  readonly totalS: (factors: ArrayLike<number>) => number
} {
  const steps = new Map(plan.steps.map((step, at) => [step.id, at]))
  const ordered = [...plan.segments].sort(
    (a, b) => a.startS - b.startS || Number(b.hands) - Number(a.hands) || a.endS - b.endS,
  )
  const orderOf = new Map(ordered.map((segment, index) => [segment, index]))
  const nodes = ordered.map((segment, index): Node => ({
    step: segment.hands ? steps.get(segment.stepId) : undefined,
    leastS: leastOf(plan, segment),
    restS: 0,
    after: ordered
      .slice(0, index)
      .filter((earlier) => holds(earlier, segment, ordered))
      .map((earlier) => orderOf.get(earlier)!),
  }))
  const ends = new Float64Array(nodes.length)
  const walk = (factors: ArrayLike<number> | undefined): number => {
    let latest = 0
    for (let index = 0; index < nodes.length; index++) {
      const node = nodes[index]!
      let ready = 0
      for (const earlier of node.after) ready = Math.max(ready, ends[earlier]!)
      // The first walk learns the rests.
      if (!factors) node.restS = Math.max(0, ordered[index]!.startS - ready)
      ends[index] =
        ready +
        node.restS +
        node.leastS * (factors && node.step !== undefined ? factors[node.step]! : 1)
      latest = Math.max(latest, ends[index]!)
    }
    return latest
  }
  walk(undefined)
  const handsS = plan.steps.map((step) =>
    plan.segments
      .filter((segment) => segment.hands && segment.stepId === step.id)
      .reduce((sum, segment) => sum + segment.endS - segment.startS, 0),
  )
  return { handsS, totalS: walk }
}

/** A dwell is as long as it was fitted, not as it was stretched to wait for hands; everything else as placed. */
function leastOf(plan: Ladder, segment: PlacedSegment): number {
  const planned = segment.endS - segment.startS
  if (segment.hands) return planned
  const own = plan.steps
    .find((step) => step.id === segment.stepId)
    ?.segments.find((part) => segment.id.endsWith(`/${part.id}`))
  return Math.min(planned, own?.usualS ?? planned)
}

/** Whether one segment must have ended before another starts. */
function holds(
  earlier: PlacedSegment,
  later: PlacedSegment,
  all: readonly PlacedSegment[],
): boolean {
  if (earlier.endS > later.startS) return false
  if (earlier.hands && later.hands)
    return !all.some(
      (between) =>
        between.hands &&
        between !== earlier &&
        between !== later &&
        between.startS >= earlier.endS &&
        between.endS <= later.startS,
    )
  if (earlier.stepId === later.stepId)
    return earlier.kind !== 'prepare' && earlier.endS === later.startS
  return !earlier.hands && zonesMeet(earlier.zones, later.zones)
}
