import { apportion } from '../quantity/apportion'
import { areaOf } from '../skin/areas'
import type { ZoneId } from '../skin/zones'

export interface ZoneDose {
  readonly zone: ZoneId
  readonly mL: number
  readonly seconds: number
}

/**
 * A measured infusion dose spread over its zones by their areas, so that it lasts to the last one: millilitres to a hundredth and whole
 * seconds, both adding up exactly. Zones of no known area share as the smallest does. In the order given.
 */
export function spreadDose(mL: number, seconds: number, zones: readonly ZoneId[]): ZoneDose[] {
  if (zones.length === 0) return []
  const areas = zones.map((zone) => areaOf([zone]))
  const known = areas.filter((area) => area > 0)
  const least = known.length > 0 ? Math.min(...known) : 1
  const weights = areas.map((area) => (area > 0 ? area : least))
  const [doses, times] = [
    apportion(Math.round(mL * 100), weights),
    apportion(Math.round(seconds), weights),
  ]
  return zones.map((zone, at) => ({ zone, mL: doses[at]! / 100, seconds: times[at]! }))
}
