import type { ScopeEntry } from './model'

/** What somebody is in a salon; what each may do is one table of the server. */
export const ROLES = ['owner', 'practitioner', 'assistant', 'front_desk'] as const
export type Role = (typeof ROLES)[number]

/** What must be minded about whoever works (rules F10 to F12). */
export const HAZARDS = ['current', 'latex', 'ingredient'] as const
export type Hazard = (typeof HAZARDS)[number]

export const MEASURES = ['metric', 'us'] as const
export type { Measures } from '../quantity'

/** Techniques that commonly need a further licence, in the words of the trade. */
export const TECHNIQUE_WORDS: Readonly<Record<ScopeEntry['technique'], string>> = {
  needling: 'Needling',
  blade: 'Blade',
  lancet: 'Lancet',
  rf: 'Radio frequency',
  'measured-infusion': 'Measured infusion',
  'strong-acid': 'Acids above rung 4',
  'high-suction': 'High suction',
  minors: 'Treating minors',
}
