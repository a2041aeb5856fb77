import type { DeviceLevel, Step } from '../protocol/model'
import { zonesInWords, type ZoneId } from '../skin/zones'
import type { LevelSet } from './state'

/** How deep needles can be said to go at all; millimetres. */
export const DEPTH_MM = { least: 0.05, most: 3 } as const

/** A place of a device's way: left and right are one. */
export interface SetPlace {
  readonly words: string
  readonly zones: readonly ZoneId[]
}

/** Places of a step in the order in which its device goes. */
export function placesOf({ passes, zones }: Pick<Step, 'passes' | 'zones'>): SetPlace[] {
  const places = new Map<string, ZoneId[]>()
  for (const zone of passes?.zones ?? zones) {
    const key = zone.startsWith('nose-') ? 'nose' : zone.replace(/-(?:left|right)$/, '')
    places.set(key, [...(places.get(key) ?? []), zone])
  }
  return [...places.values()].map((own) => ({ words: zonesInWords(own), zones: own }))
}

/** What a device is set to now: last at the place, else last everywhere, else where hands began. `place`: left out, everywhere. */
export function setNow(
  { start }: Pick<DeviceLevel, 'start'>,
  sets: readonly Pick<LevelSet, 'value' | 'zones'>[],
  place?: Pick<SetPlace, 'zones'>,
): number {
  const everywhere = sets.findLast(({ zones }) => zones === undefined)
  const at = place && sets.findLast(({ zones }) => zones?.join('+') === place.zones.join('+'))
  return (at ?? everywhere)?.value ?? start
}

/** What it was set to last time at the place, else everywhere, where that was otherwise than fitted. */
export function lastAt(
  { last = [] }: Pick<DeviceLevel, 'last'>,
  place?: Pick<SetPlace, 'zones'>,
): NonNullable<DeviceLevel['last']>[number] | undefined {
  const at = place && last.find(({ zones }) => zones?.join('+') === place.zones.join('+'))
  return at ?? last.find(({ zones }) => zones === undefined)
}

/** One tap down or up, within what it may be set to. */
export const tapped = (
  { least, most, by }: Pick<DeviceLevel, 'least' | 'most' | 'by'>,
  value: number,
  way: 'lower' | 'higher',
): number => {
  const moved = way === 'lower' ? Math.max(least, value - by) : Math.min(most, value + by)
  // Tenths and twentieths are no binary fractions.
  return Math.round(moved * 100) / 100
}
