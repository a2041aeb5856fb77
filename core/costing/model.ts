import { z } from 'zod'
import { Minor } from '../catalog/model'

/** What an hour costs the salon, and the margin it wants; money in minor units. */
export const Rates = z.strictObject({
  practitionerPerHourMinor: Minor,
  roomPerHourMinor: Minor,
  marginPercent: z.number().int().min(0).max(95),
  turnoverMinutes: z.number().int().min(0).max(60),
})
export type Rates = z.infer<typeof Rates>

/** What is asked for something, and what is asked for it nearby. */
export const Price = z.strictObject({ priceMinor: Minor.optional(), goingMinor: Minor.optional() })
export type Price = z.infer<typeof Price>
