import type { Device } from '#core/catalog'
import type { ZoneId } from '#core/skin'

/** What a field of a device changes: pure, with the page’s defaults. */

/** Fields of a device to change; one that is undefined goes away. */
export type DeviceChange = { [K in keyof Device]?: Device[K] | undefined }
type Levels = NonNullable<Device['levels']>

export const LEVEL_WORDS = { from: 'Lowest', start: 'Starts at', to: 'Highest' } as const
const USUAL_LEVELS: Levels = { from: 1, to: 10, start: 1, unit: 'level' }

export const newDevice = (id: string): Device => ({
  id,
  name: '',
  properties: ['device'],
  expected: [],
  setup: [],
  setting: '',
})

export const levelsChanged = (device: Device, more: Partial<Levels>): DeviceChange => ({
  levels: { ...USUAL_LEVELS, ...device.levels, ...more },
})

/** How far up its scale a device starts, 0 … 1. */
export const startShare = ({ from, to, start }: Levels): number =>
  (start - from) / Math.max(0.001, to - from)

const zonesOrNone = (zones: ZoneId[]): DeviceChange => ({
  zoneOrder: zones.length > 0 ? zones : undefined,
})
export const zoneAdded = (device: Device, zone: ZoneId): DeviceChange =>
  zonesOrNone([...(device.zoneOrder ?? []), zone])
export const zoneRemoved = (device: Device, at: number): DeviceChange =>
  zonesOrNone((device.zoneOrder ?? []).filter((_, index) => index !== at))

export const suppliesUsed = (device: Device, supplyId: string): number =>
  device.consumables?.find((consumable) => consumable.supplyId === supplyId)?.count ?? 0

/** So many of a supply at each visit; none of it: it is not used up. */
export function supplyChanged(device: Device, supplyId: string, count: number): DeviceChange {
  const others = (device.consumables ?? []).filter((consumable) => consumable.supplyId !== supplyId)
  return { consumables: count > 0 ? [...others, { supplyId, count }] : others }
}

/** What was typed with commas, as a list. */
export const listTyped = (typed: string): string[] =>
  typed
    .split(',')
    .map((item) => item.trim())
    .filter(Boolean)
