import { z } from 'zod'
import { Pick } from '../protocol/model'

/** What may not be dropped for time, and whether spare time is given out. `slotMinutes`: another length than what is booked. */
export const SlotWish = z.strictObject({
  mustStay: z.array(z.string().max(60)).max(60),
  grow: z.boolean(),
  slotMinutes: z.number().int().min(15).max(300).optional(),
})
export type SlotWish = z.infer<typeof SlotWish>

/** A device that somebody else needs; without one the hands of whoever performs, who is at another client. In seconds from the start of this visit. */
export const Reservation = z.strictObject({
  deviceId: z.string().optional(),
  fromS: z.number().int(),
  toS: z.number().int(),
})
export type Reservation = z.infer<typeof Reservation>

/** What is decided while the tray is laid: how large the face is, how warm the water of each bowl, and what stands in for what is short. */
export const Prep = z.strictObject({
  size: z.enum(['S', 'M', 'L']),
  /** By step, °C. */
  waterC: z.record(z.string().max(60), z.number().min(0).max(60)),
  /** By step: another product in its place. */
  standIns: z.record(z.string().max(60), Pick),
  /** By house mix, then by part: another product in the bowl. */
  partStandIns: z.record(z.string().max(60), z.record(z.string().max(60), z.string().max(60))),
})
export type Prep = z.infer<typeof Prep>
