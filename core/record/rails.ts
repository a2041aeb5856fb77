import { highestUses } from '../climb'
import { LEVERS, type LeverId } from '../protocol'
import type { LadderVisit } from './model'

/** How high a lever was used at a visit. */
export interface RailPoint {
  readonly visitId: string
  readonly on: string
  readonly rung: number
  /** It could have gone higher than it did: the climb held it, took it down or began again. */
  readonly isHeld: boolean
  readonly wentDown: boolean
  /** It stung or burned then. */
  readonly stung: boolean
}
export interface Rail {
  readonly lever: LeverId
  /** The oldest first; visits that did not use it have none. */
  readonly points: readonly RailPoint[]
}

const HELD: ReadonlySet<string> = new Set(['hold', 'down', 'restart', 'wait'])

/** One rail for each lever that was ever used, in the order of `LEVERS`; visits oldest first. */
export const railsOf = (visits: readonly LadderVisit[]): Rail[] =>
  LEVERS.map((lever) => ({ lever, points: pointsOf(lever, visits) })).filter(
    ({ points }) => points.length > 0,
  )

function pointsOf(lever: LeverId, visits: readonly LadderVisit[]): RailPoint[] {
  const points: RailPoint[] = []
  for (const { id, on, levers, suggestions } of visits) {
    const use = highestUses(levers).find((one) => one.lever === lever)
    if (!use) continue
    const said = suggestions.find((one) => one.lever === lever)
    points.push({
      visitId: id,
      on,
      rung: use.rung,
      isHeld: said !== undefined && HELD.has(said.move),
      wentDown: points.length > 0 && use.rung < points.at(-1)!.rung,
      stung: use.stung === true,
    })
  }
  return points
}
