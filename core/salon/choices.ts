import { z } from 'zod'

/** What a salon chooses beyond its facts. Every choice has a usual value: none has to be made before the first visit. */
export const SalonChoices = z.strictObject({
  /** Minutes without a touch after which a tablet covers what it shows. */
  coverMinutes: z.number().int().min(1).max(60).default(5),
})
export type SalonChoices = z.infer<typeof SalonChoices>

/** What is meant where nothing was chosen. */
export const usualChoices = (): SalonChoices => SalonChoices.parse({})
