import { MUSCLES, type MuscleId } from './tables/muscles'
import type { ZoneId } from './zones'

export { MUSCLES } from './tables/muscles'
export type { MuscleId } from './tables/muscles'

/** Muscles that lie under these zones, from the brow down; ring muscles are none of them. */
export const musclesUnder = (zones: readonly ZoneId[]): MuscleId[] =>
  MUSCLES.filter((muscle) => muscle.zones.some((zone: ZoneId) => zones.includes(zone))).map(
    ({ id }) => id,
  )
