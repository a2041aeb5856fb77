import type { Concern, GoalDetails } from '../client/model'
import { zonesMeet } from '../skin/zones'
import type { Segment, Step } from '../protocol/model'

/** Weight of a step by the rank of its concern among the client's goals (design figures): first, second, third, any other. */
const RANK_WEIGHTS = [5, 3, 2] as const
const OTHER_WEIGHT = 1
/** Share of its worth a step keeps at its shortest; from there to its usual length it grows in a straight line. */
export const WORTH_AT_LEAST = 0.6
/** What a step gains at most when it is given more than its usual time (house figure). */
export const WORTH_GROWN = 0.2
/** Times are cut and given in this grid. */
export const GRID_S = 30

/**
 * What a step is worth whole: its priority times the weight of its concern's rank. A goal that is about some zones only is served by steps that
 * reach one of them.
 */
export function worthOf(
  step: Pick<Step, 'priority' | 'concern'> & { readonly zones?: Step['zones'] },
  goals: readonly Concern[],
  details: GoalDetails = {},
): number {
  const rank = step.concern && isServed(step, details) ? goals.indexOf(step.concern) : -1
  return step.priority * (RANK_WEIGHTS[rank] ?? OTHER_WEIGHT)
}

function isServed(
  { concern, zones }: { readonly concern?: Concern | undefined; readonly zones?: Step['zones'] },
  details: GoalDetails,
): boolean {
  const places = concern && details[concern]?.zones
  return places === undefined || zones === undefined || zonesMeet(zones, places)
}

/** Seconds a step can be shortened by, in whole grid steps; never below any segment's least. */
export const slackOf = (step: Step): number =>
  Math.floor(step.segments.reduce((sum, part) => sum + part.usualS - part.minS, 0) / GRID_S) *
  GRID_S

/** The step shortened by `byS` seconds in all, taken from each segment by what it can spare. */
export function shortened(step: Step, byS: number): Step {
  const spare = step.segments.reduce((sum, part) => sum + part.usualS - part.minS, 0)
  if (byS <= 0 || spare === 0) return step
  let left = Math.min(byS, spare)
  let open = spare
  const segments = step.segments.map((part): Segment => {
    const own = part.usualS - part.minS
    const cut = open === 0 ? 0 : Math.min(own, Math.round((left * own) / open))
    left -= cut
    open -= own
    return { ...part, usualS: part.usualS - cut }
  })
  return { ...step, segments }
}

/** The segment that may be given more time: the work of a massage or an enhancement, or the light of a panel. Never an acid, a heat or a current. */
function growing(step: Step, isLight: boolean): Segment | undefined {
  if (isLight) return step.segments.find((part) => part.kind === 'dwell')
  return step.phase === 'massage' || step.phase === 'enhancement'
    ? step.segments.find((part) => part.kind === 'apply')
    : undefined
}

/** Seconds a step may grow by, in whole grid steps. */
export function roomOf(step: Step, isLight: boolean): number {
  const part = growing(step, isLight)
  return part ? Math.max(0, Math.floor((part.maxS - part.usualS) / GRID_S) * GRID_S) : 0
}

/** The step with `byS` seconds more. */
export function grown(step: Step, byS: number, isLight: boolean): Step {
  const part = growing(step, isLight)
  return part && byS > 0
    ? {
        ...step,
        segments: step.segments.map((other) =>
          other === part ? { ...other, usualS: Math.min(other.maxS, other.usualS + byS) } : other,
        ),
      }
    : step
}
