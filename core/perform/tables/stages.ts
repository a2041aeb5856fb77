import type { Phase } from '../../protocol/words'

/** A stretch of a visit: what may change places within it, and why nothing leaves it. */
export interface Stretch {
  readonly phases: readonly Phase[]
  /** Hands may take its steps in another order. */
  readonly isFree: boolean
  readonly why: string
}

/** The order of a visit that no word of the moment changes (common practice, no source). */
export const STRETCHES: readonly Stretch[] = [
  {
    phases: ['welcome', 'eye-makeup', 'first-cleanse', 'second-cleanse', 'analysis'],
    isFree: false,
    why: 'Eyes, cleansing and the reading come first, in this order: work belongs on clean skin that was read.',
  },
  {
    phases: [
      ...(['tone', 'exfoliate', 'neutralise', 'soften', 'extract', 'calm', 'concentrate'] as const),
      ...(['massage', 'device', 'mask', 'remove-tone', 'enhancement'] as const),
    ],
    isFree: true,
    why: 'Work comes between cleansing and what stays on.',
  },
  {
    phases: ['serum', 'eye', 'moisturise', 'sun', 'lip'],
    isFree: false,
    why: 'What stays on goes on last, thin before thick, sun protection over it.',
  },
  { phases: ['close'], isFree: false, why: 'The visit ends with it.' },
]
