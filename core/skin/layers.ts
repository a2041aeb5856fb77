import type { ZoneId } from './zones'

/** One thing lying on a zone: what, since when, and how it leaves. Times in whole seconds from the start of the visit. */
export interface ZoneLayer {
  readonly stepId: string
  readonly productId: string | undefined
  readonly sinceS: number
  /** `stays`: a leave-on; it lies under later layers and occupies nothing. */
  readonly off: 'removed' | 'stays'
}

/** What `zoneStacks` needs of a step: its zones as fitted, when it went on, when it was off again (undefined: it stays). */
export interface LaidOn {
  readonly stepId: string
  readonly productId: string | undefined
  readonly zones: readonly ZoneId[]
  readonly onS: number
  readonly offS: number | undefined
}

/**
 * The stack of layers on every zone at one second, the lowest first. A layer lies from the moment it begins to go on until
 * its removal has ended; leave-ons stay to the end.
 */
export function zoneStacks(
  laid: readonly LaidOn[],
  atS: number,
): ReadonlyMap<ZoneId, readonly ZoneLayer[]> {
  const stacks = new Map<ZoneId, ZoneLayer[]>()
  const lying = laid
    .filter((layer) => layer.onS <= atS && (layer.offS === undefined || atS < layer.offS))
    .sort((a, b) => a.onS - b.onS)
  for (const layer of lying) {
    for (const zone of layer.zones)
      stacks.set(zone, [
        ...(stacks.get(zone) ?? []),
        {
          stepId: layer.stepId,
          productId: layer.productId,
          sinceS: layer.onS,
          off: layer.offS === undefined ? 'stays' : 'removed',
        },
      ])
  }
  return stacks
}
