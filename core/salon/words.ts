/** What somebody is in a salon; what each may do is one table of the server. */
export const ROLES = ['owner', 'practitioner', 'assistant', 'front_desk'] as const
export type Role = (typeof ROLES)[number]

/** What must be minded about whoever works (rules F10 to F12). */
export const HAZARDS = ['current', 'latex', 'ingredient'] as const
export type Hazard = (typeof HAZARDS)[number]

export const MEASURES = ['metric', 'us'] as const
export type Measures = (typeof MEASURES)[number]
