import type { Hazard, Role } from '#core/salon'
import type { ScopeEntry } from '#core/salon/model'

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

export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  owner: 'Owner',
  practitioner: 'Practitioner',
  assistant: 'Assistant',
  front_desk: 'Front desk',
}
/** What a role comes to, in a line. */
export const ROLE_LINES: Readonly<Record<Role, string>> = {
  owner: 'Everything, and the salon itself',
  practitioner: 'Consults, fits, performs and signs',
  assistant: 'Prepares and performs; fits and signs nothing',
  front_desk: 'Books; sees no health facts',
}

export const HAZARD_WORDS: Readonly<Record<Hazard, string>> = {
  current: 'Implant or pregnancy: no current through your hands',
  latex: 'Latex allergy',
  ingredient: 'Allergy to an ingredient: gloves throughout',
}
