import { z } from 'zod'

/** What may not be dropped for time, and whether spare time is given out. `slotMinutes`: another length than what is booked. */
export const SlotWish = z.strictObject({ mustStay: z.array(z.string().max(60)).max(60), grow: z.boolean(), slotMinutes: z.number().int().min(15).max(300).optional() })
export type SlotWish = z.infer<typeof SlotWish>

/** A device that somebody else needs, in seconds from the start of this visit. */
export const Reservation = z.strictObject({ deviceId: z.string(), fromS: z.number().int(), toS: z.number().int() })
export type Reservation = z.infer<typeof Reservation>
