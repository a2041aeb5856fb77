import type { Hazard, Role } from '#core/salon'

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
