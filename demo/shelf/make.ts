import type { Product, Use } from '#core/catalog'
import { segment, type Segment } from '#core/protocol'
import type { ZoneId } from '#core/skin'

// What the house range is written with.
type Tool = NonNullable<Segment['tool']>
type Heat = NonNullable<Segment['temperature']>
type Time = number | readonly [number, number, number]
export const on = (time: Time, more: Partial<Segment> = {}) => segment('on', 'apply', time, more)
export const off = (
  time: Time,
  tool: Tool = 'sponge',
  temperature: Heat = 'lukewarm',
  more: Partial<Segment> = {},
) => segment('off', 'remove', time, { tool, temperature, ...more })
export const rest = (time: readonly [number, number, number], more: Partial<Segment> = {}) =>
  segment('dwell', 'dwell', time, { presence: 'room', admits: ['quiet'], ...more })
export const mix = (time: Time, more: Partial<Segment> = {}) =>
  segment('mix', 'prepare', time, more)
export const dry = (time: Time) => segment('dry', 'settle', time)
export const use = (
  id: string,
  phase: Use['phase'],
  zones: readonly ZoneId[],
  segments: Segment[],
  dose?: [number, 'g' | 'mL'],
): Use => ({
  id,
  phase,
  zones: [...zones],
  segments,
  ...(dose ? { dose: { amount: dose[0], unit: dose[1] } } : {}),
})

const BASE = {
  concerns: [],
  vehicle: 'water',
  actives: [],
  properties: [],
  skin: 'any',
  leaves: 'nothing',
  emergencyOff: 'rinse',
  openSkinUse: false,
  expected: [],
  stock: 200,
} as const satisfies Partial<Product>
export const make = (
  product: Partial<Product> & Pick<Product, 'id' | 'name' | 'kind' | 'uses'>,
): Product => ({ ...(structuredClone(BASE) as unknown as Product), ...product })
export const pump = (per: number) => ({ name: 'pump', unit: 'mL', per }) as const
export const MASK_TIME: readonly [number, number, number] = [10, 15, 20]
export const MASK_FREE = {
  admits: ['quiet', 'hands', 'scalp', 'shoulders', 'lips', 'eyes'] as NonNullable<
    Segment['admits']
  >,
  presence: 'room' as const,
}

/** Three millilitres of water to a gram; times as its maker gives them at 20 °C. */
export const ALGINATE: NonNullable<Product['mixing']> = {
  waterMlPerG: 3,
  waterC: { least: 15, usual: 20, most: 30 },
  bowl: 'flexible bowl',
  consistency: 'smooth',
  sets: { by: 'alginate', at: { celsius: 20, workingS: 240, setsS: 480 } },
}
