import { quantity } from './quantity'

const TEASPOON_ML = quantity(1, 'tsp-us').base

/**
 * Grams of a volume, by the weight of a level US teaspoon (NIST Handbook 44, App. C: 4.92892 mL, value from memory). Undefined without
 * that weight: then there is no way from spoons to grams.
 */
export const volumeAsMass = (
  mL: number,
  gramsPerTeaspoon: number | undefined,
): number | undefined =>
  gramsPerTeaspoon === undefined ? undefined : (mL / TEASPOON_ML) * gramsPerTeaspoon
/** Millilitres of a mass, the same way back. */
export const massAsVolume = (
  g: number,
  gramsPerTeaspoon: number | undefined,
): number | undefined =>
  gramsPerTeaspoon === undefined ? undefined : (g / gramsPerTeaspoon) * TEASPOON_ML
