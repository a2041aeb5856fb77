import type { LeverId } from '../protocol/words'

/** Settings of each rung. House conventions, editable downward (common practice, no source). Rung 5 is above the table: by scope. */
export interface RungTable {
  readonly lever: LeverId
  /** Free acid in percent, at most, by rung 1..4. */
  readonly freeAcid?: readonly number[]
  /** Minutes of processing or work, at most, by rung 1..4. */
  readonly minutes?: readonly number[]
  readonly words?: readonly string[]
}

export const RUNGS: Readonly<Record<LeverId, RungTable>> = {
  acid: { lever: 'acid', freeAcid: [7, 13, 20, 26], minutes: [2, 3, 4, 5] },
  enzyme: { lever: 'enzyme', minutes: [3, 5, 8, 10] },
  steam: { lever: 'steam', minutes: [0, 3, 5, 8] },
  extraction: { lever: 'extraction', minutes: [0, 5, 10, 15] },
  pressure: { lever: 'pressure', words: ['light', 'light to medium', 'medium', 'firm'] },
  exfoliation: { lever: 'exfoliation', words: ['feather', 'gentle', 'usual', 'thorough'] },
  current: {
    lever: 'current',
    words: ['the maker’s start', 'a quarter of the range', 'half', 'three quarters'],
  },
  suction: {
    lever: 'suction',
    words: ['the maker’s start', 'a quarter of the range', 'half', 'three quarters'],
  },
  retinoid: {
    lever: 'retinoid',
    words: ['none', 'two evenings a week', 'alternate evenings', 'nightly'],
  },
}

export const HIGHEST_RUNG = 5

/** The lowest rung whose limit holds `value`; 5 when the table ends below it. */
export function rungHolding(limits: readonly number[], value: number): number {
  const at = limits.findIndex((limit) => value <= limit + 1e-9)
  return at === -1 ? HIGHEST_RUNG : at + 1
}

/** The table's limit at a rung, or undefined above the table. */
export const limitAt = (limits: readonly number[], rung: number): number | undefined =>
  limits[rung - 1]
