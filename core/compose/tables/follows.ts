import type { Phase } from '../../protocol/words'

/** Where one stands on a ladder: on a rung of a phase, or before its first. */
export type Standing = Phase | 'start'

/** What usually comes next, the most usual first: counted over a library of two dozen cards (common practice, no source). */
export const FOLLOWS: Readonly<Partial<Record<Standing, readonly Phase[]>>> = {
  start: ['eye-makeup', 'first-cleanse', 'welcome'],
  welcome: ['eye-makeup', 'first-cleanse'],
  'eye-makeup': ['first-cleanse'],
  'first-cleanse': ['second-cleanse', 'tone'],
  'second-cleanse': ['tone', 'analysis', 'exfoliate'],
  analysis: ['exfoliate', 'tone', 'soften'],
  tone: ['exfoliate', 'device', 'mask', 'soften', 'serum', 'calm', 'concentrate'],
  exfoliate: ['tone', 'calm', 'neutralise', 'soften', 'concentrate', 'massage', 'extract'],
  neutralise: ['calm'],
  soften: ['extract', 'exfoliate'],
  extract: ['calm', 'tone'],
  calm: ['mask', 'massage', 'device', 'eye', 'serum'],
  concentrate: ['mask', 'eye', 'massage', 'device'],
  massage: ['mask', 'device', 'serum'],
  device: ['serum', 'remove-tone', 'calm', 'mask'],
  mask: ['serum', 'tone', 'remove-tone', 'enhancement'],
  'remove-tone': ['device', 'serum', 'tone'],
  serum: ['eye', 'moisturise'],
  eye: ['moisturise', 'mask'],
  moisturise: ['sun', 'lip'],
  sun: ['close', 'lip'],
  lip: ['close'],
}

export const isUsual = (phase: Phase, standing: Standing): boolean =>
  FOLLOWS[standing]?.includes(phase) ?? false

/** How usual a phase is after another: 0 is the most usual. */
export const placeAfter = (phase: Phase, standing: Standing): number =>
  FOLLOWS[standing]?.indexOf(phase) ?? -1
