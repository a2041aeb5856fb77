/**
 * pKa (first dissociation, 25 °C, water). CRC Handbook of Chemistry and Physics; values from memory.
 * Keys are the names products list their actives under.
 */
export const PKA = {
  glycolic: 3.83,
  lactic: 3.86,
  mandelic: 3.41,
  malic: 3.4,
  tartaric: 2.98,
  citric: 3.13,
  salicylic: 2.97,
  azelaic: 4.55,
  pyruvic: 2.39,
} as const

/** Above this pH a product leaves the skin alkaline (rule D02; common practice, no source). */
export const ALKALINE_PH = 8

export type AcidName = keyof typeof PKA
export const isAcidName = (name: string): name is AcidName => Object.hasOwn(PKA, name)

export interface AcidPart {
  readonly name: AcidName
  readonly percent: number
}

/** Why no free-acid figure can be given. */
export type NoFigure = 'no-ph' | 'not-water'
export type FreeAcid =
  | { readonly ok: true; readonly percent: number; readonly mixture: boolean }
  | { readonly ok: false; readonly why: NoFigure }

/** Un-ionised share of a weak acid, 0..1: 1 / (1 + 10^(pH − pKa)) (Henderson–Hasselbalch; in water only). */
export function freeShare(pH: number, pKa: number): number {
  return 1 / (1 + 10 ** (pH - pKa))
}

/**
 * Free acid in percent: the sum over the acids of a product of share × label percent, each with its own pKa.
 * Alcohol and anhydrous vehicles get no figure, nor does a product without a pH.
 */
export function freeAcid(
  parts: readonly AcidPart[],
  pH: number | undefined,
  vehicle: 'water' | 'alcohol' | 'anhydrous',
): FreeAcid {
  if (vehicle !== 'water') return { ok: false, why: 'not-water' }
  if (pH === undefined) return { ok: false, why: 'no-ph' }
  const percent = parts.reduce((sum, part) => sum + freeShare(pH, PKA[part.name]) * part.percent, 0)
  return { ok: true, percent, mixture: parts.length > 1 }
}

/** Exposure index of an acid step = free acid % × minutes. A house convention, for exfoliation points only. */
export function exposureIndex(freeAcidPercent: number, dwellMinutes: number): number {
  return freeAcidPercent * dwellMinutes
}
