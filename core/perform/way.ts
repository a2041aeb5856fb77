import type { Step } from '../protocol/model'
import { areaOf } from '../skin/areas'
import { placesOf, type SetPlace } from './device-set'

/** Where a device is on its way: the place in hand, how long it has there, and what comes then. */
export interface WayNow {
  readonly place: SetPlace
  /** From 1. */
  readonly round: number
  readonly rounds: number
  /** Seconds that this place has left, of how many. */
  readonly leftS: number
  readonly ofS: number
  readonly then: SetPlace | undefined
}

/** What is drawn too small to be measured still takes its moment. */
const LEAST_CM2 = 1

/**
 * The place of a device's way that is in hand so many seconds after its work began; undefined without a way, and once its time
 * is over. Places share the time by their area, the rounds share the whole.
 */
export function wayNow(
  step: Pick<Step, 'passes' | 'zones'>,
  lengthS: number,
  atS: number,
): WayNow | undefined {
  if (!step.passes || atS < 0 || atS >= lengthS) return undefined
  const places = placesOf(step)
  const rounds = step.passes.times
  const areas = places.map(({ zones }) => Math.max(LEAST_CM2, areaOf(zones)))
  const roundS = lengthS / rounds
  const whole = areas.reduce((sum, area) => sum + area, 0)
  const order = Array.from({ length: rounds }, (_, round) =>
    places.map((place, at) => ({
      ...{ place, round: round + 1 },
      ofS: (roundS * areas[at]!) / whole,
    })),
  ).flat()
  let until = 0
  for (const [index, { place, round, ofS }] of order.entries()) {
    until += ofS
    if (atS >= until) continue
    return { place, round, rounds, ofS, leftS: until - atS, then: order[index + 1]?.place }
  }
  return undefined
}
