import { z } from 'zod'
import { FINDING_KINDS } from './findings'
import { ZONES } from './zones'

export const ZoneId = z.enum(ZONES)

/** One thing seen on the skin today, over one or many zones. Grade 1 slight … 4 marked. */
export const Finding = z.strictObject({
  kind: z.enum(FINDING_KINDS),
  grade: z.number().int().min(1).max(4),
  zones: z.array(ZoneId).min(1),
})
export type Finding = z.infer<typeof Finding>

/** The reading of one visit. `done` is false until the practitioner has looked. */
export const Reading = z.strictObject({ done: z.boolean(), findings: z.array(Finding) })
export type Reading = z.infer<typeof Reading>
