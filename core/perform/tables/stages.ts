import type { Phase } from '../../protocol/words'

/** A stretch of a visit. */
export interface Stretch {
  readonly phases: readonly Phase[]
  /** Why its steps keep their order and their place; left out: hands may take them in another order. */
  readonly keeps?: string
}

/** The order of a visit that no word of the moment changes (common practice, no source). */
export const STRETCHES: readonly Stretch[] = [
  {
    phases: ['welcome', 'eye-makeup', 'first-cleanse', 'second-cleanse', 'analysis'],
    keeps:
      'Eyes, cleansing and the reading come first, in this order: work belongs on clean skin that was read.',
  },
  {
    phases: [
      ...(['tone', 'exfoliate', 'neutralise', 'soften', 'extract', 'calm', 'concentrate'] as const),
      ...(['massage', 'device', 'mask', 'remove-tone', 'enhancement'] as const),
    ],
  },
  {
    phases: ['serum', 'eye', 'moisturise', 'sun', 'lip'],
    keeps: 'What stays on goes on last, thin before thick, sun protection over it.',
  },
  { phases: ['close'], keeps: 'The visit ends with it.' },
]
