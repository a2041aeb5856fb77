import { z } from 'zod'
import { LEVERS } from '../protocol/words'
import { IsoDate } from '../client/model'

/** What the skin answered after a visit, as told at the close, at a check-in or at the next visit. */
export const SkinAnswer = z.strictObject({
  /** 0 none … 4 marked. */
  redness: z.number().int().min(0).max(4),
  rednessHours: z.number().min(0).max(24 * 30),
  /** 0 … 10. */
  stinging: z.number().int().min(0).max(10),
  swelling: z.boolean(),
  blisters: z.boolean(),
  weeping: z.boolean(),
  burn: z.boolean(),
})
export type SkinAnswer = z.infer<typeof SkinAnswer>

export const LeverUse = z.strictObject({ lever: z.enum(LEVERS), rung: z.number().int().min(1).max(5) })

/** A past visit as the climb sees it. */
export const PastVisit = z.strictObject({ on: IsoDate, levers: z.array(LeverUse), answer: SkinAnswer.nullable() })
export type PastVisit = z.infer<typeof PastVisit>
