import { z } from 'zod'
import { LEVERS, PROPERTIES } from '../protocol/words'
import { Finding, ZoneId } from '../skin/model'
import { IsoDate } from '../client/model'

/** What the skin shows and feels as the client leaves. What nobody looked at or asked is null: nothing is taken for calm. */
export const LeavingSkin = z.strictObject({
  /** 0 none … 4 marked. */
  redness: z.number().int().min(0).max(4).nullable(),
  /** 0 … 10. */
  stinging: z.number().int().min(0).max(10).nullable(),
  swelling: z.boolean(),
  blisters: z.boolean(),
  weeping: z.boolean(),
  burn: z.boolean(),
})
export type LeavingSkin = z.infer<typeof LeavingSkin>

/** What else may come after work, beside redness and harm. */
export const AFTER_SIGNS = ['tight', 'flaking', 'breakouts', 'itch', 'bruise'] as const
export type AfterSign = (typeof AFTER_SIGNS)[number]

/** What the skin answered a day or more after a visit, as told at a check-in or at the next visit. */
export const SkinAnswer = z.strictObject({
  /** 0 none … 4 marked. */
  redness: z.number().int().min(0).max(4),
  rednessHours: z
    .number()
    .min(0)
    .max(24 * 30),
  /** 0 … 10. */
  stinging: z.number().int().min(0).max(10),
  swelling: z.boolean(),
  blisters: z.boolean(),
  weeping: z.boolean(),
  burn: z.boolean(),
  /** A new dark mark, or a cold sore, after the visit (rule E13). */
  darkMark: z.boolean().default(false),
  coldSore: z.boolean().default(false),
  after: z.array(z.enum(AFTER_SIGNS)).default([]),
  /** It was still there when it was told. */
  still: z.boolean().default(false),
  /** Where it was; none: nobody said where. */
  zones: z.array(ZoneId).default([]),
})
export type SkinAnswer = z.infer<typeof SkinAnswer>

/** Nothing that the skin answered. */
export const CALM_ANSWER: SkinAnswer = {
  redness: 0,
  rednessHours: 0,
  stinging: 0,
  swelling: false,
  blisters: false,
  weeping: false,
  burn: false,
  darkMark: false,
  coldSore: false,
  after: [],
  still: false,
  zones: [],
}

export const LeverUse = z.strictObject({
  lever: z.enum(LEVERS),
  rung: z.number().int().min(1).max(5),
  /** Days between that the makers of what was used print, with their source. */
  makerDays: z.number().int().min(1).max(183).optional(),
  /** Hours of redness that what was used announces. */
  redHours: z.number().int().min(0).max(240).optional(),
  /** Where its step worked; left out: not known. */
  zones: z.array(ZoneId).min(1).optional(),
  /** Its step stung or burned while it was done, as the client said then. */
  stung: z.literal(true).optional(),
})

/** Why a device was set otherwise than fitted. */
export const LEVEL_REASONS = ['not felt', 'too strong', 'reddened', 'asked for'] as const

/** What a device was set to while it was used, as entered then; `zones`: there alone. */
export const LevelUse = z.strictObject({
  deviceId: z.string().max(60),
  setting: z.string().min(1).max(40),
  value: z.number(),
  zones: z.array(ZoneId).min(1).optional(),
  why: z.enum(LEVEL_REASONS),
})
export type LevelUse = z.infer<typeof LevelUse>

/** A past visit as the climb sees it. */
export const PastVisit = z.strictObject({
  on: IsoDate,
  /** The card it was made with: for its course. */
  protocolId: z.string().optional(),
  levers: z.array(LeverUse),
  /** As told a day or more after: only this makes a visit calm. Null: nobody has said. */
  answer: SkinAnswer.nullable(),
  /** As it was on leaving: what is strong then counts at once; it makes nothing calm. */
  leaving: LeavingSkin.optional(),
  /** What was worked with, as properties of its steps (gommage, needling …): for the days between visits. */
  work: z.array(z.enum(PROPERTIES)).optional(),
  /** Exfoliation points on the zone that got most: for the days before the next. */
  points: z.number().min(0).max(20).optional(),
  /** Device levels that were set otherwise than fitted, oldest first. */
  levels: z.array(LevelUse).optional(),
  /** What the skin showed that day: for what has moved since. */
  findings: z.array(Finding).optional(),
})
export type LeverUse = z.infer<typeof LeverUse>
export type PastVisit = z.infer<typeof PastVisit>
