import type { LeverId } from '../protocol/words'

/** Settings of each rung. House conventions, editable downward (common practice, no source). Rung 1 is the lowest working rung; rung 0 is none at all and comes only from rules; rung 5 is above the table. */
export interface RungTable {
  readonly lever: LeverId
  /** Free acid in percent, at most, by rung 1..4. */
  readonly freeAcid?: readonly number[]
  /** Minutes of processing or work, at most, by rung 1..4. */
  readonly minutes?: readonly number[]
  /** Share of the minutes or of the range that the maker states, at most, by rung 1..4. */
  readonly share?: readonly number[]
  readonly words?: readonly string[]
}

/** Of the maker's own usual minutes, so that a paste of ten minutes and a tightening mask of forty-five are both held. */
const OF_USUAL_MINUTES = [0.4, 0.6, 0.8, 1] as const
/** Of a device's range above its start; the first rung is the start itself. */
const OF_RANGE = [0, 0.25, 0.5, 0.75] as const
const RANGE_WORDS = [
  'the maker’s start',
  'a quarter of the range',
  'half',
  'three quarters',
] as const

export const RUNGS: Readonly<Record<LeverId, RungTable>> = {
  acid: { lever: 'acid', freeAcid: [7, 13, 20, 26], minutes: [2, 3, 4, 5] },
  enzyme: { lever: 'enzyme', share: OF_USUAL_MINUTES },
  warming: { lever: 'warming', share: OF_USUAL_MINUTES },
  steam: { lever: 'steam', minutes: [2, 3, 5, 8] },
  extraction: { lever: 'extraction', minutes: [3, 5, 10, 15] },
  pressure: { lever: 'pressure', words: ['light', 'light to medium', 'medium', 'firm'] },
  exfoliation: { lever: 'exfoliation', words: ['feather', 'gentle', 'usual', 'thorough'] },
  current: { lever: 'current', share: OF_RANGE, words: RANGE_WORDS },
  suction: { lever: 'suction', share: OF_RANGE, words: RANGE_WORDS },
  rf: { lever: 'rf', share: OF_RANGE, words: RANGE_WORDS },
  light: {
    lever: 'light',
    words: ['a quarter of the dose', 'half', 'three quarters', 'the maker’s full dose'],
  },
  retinoid: {
    lever: 'retinoid',
    words: [
      'an ester',
      'retinol to 0.3 %',
      'retinol to 1 %, low retinal',
      'a stronger cosmetic retinoid',
    ],
  },
}

export const HIGHEST_RUNG = 5
/** The top of the tables: what a thing is taken for whose strength nobody has written down. */
export const TOP_RUNG = 4

/**
 * What climbs and what does not. Answering: the skin answers after the visit. Felt: adjusted by feeling while it runs. Comfort: right is
 * what is felt while it is done.
 */
export const LEVER_KIND: Readonly<Record<LeverId, 'answering' | 'felt' | 'comfort'>> = {
  acid: 'answering',
  exfoliation: 'answering',
  enzyme: 'answering',
  warming: 'answering',
  retinoid: 'answering',
  rf: 'answering',
  current: 'felt',
  suction: 'felt',
  steam: 'felt',
  light: 'felt',
  pressure: 'comfort',
  extraction: 'comfort',
}

/** The lowest rung whose limit holds `value`; `above` when the table ends below it. */
export function rungHolding(
  limits: readonly number[],
  value: number,
  above = HIGHEST_RUNG,
): number {
  const at = limits.findIndex((limit) => value <= limit + 1e-9)
  return at === -1 ? above : at + 1
}

/** The table's limit at a rung, or undefined above the table. */
export const limitAt = (limits: readonly number[], rung: number): number | undefined =>
  limits[rung - 1]
