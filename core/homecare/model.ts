import { z } from 'zod'
import { Concern, IsoDate } from '../client/model'
import { ZoneId } from '../skin/model'
import { HOME_ROLES, HOME_TIMES } from '../catalog/words'
import { PAUSED } from './words'

/** One thing the client puts on at home: of the shelf, or by its kind alone. */
export const HomeUse = z.strictObject({
  role: z.enum(HOME_ROLES),
  productId: z.string().max(60).optional(),
  /** As they call it. */
  name: z.string().trim().max(120),
  times: z.array(z.enum(HOME_TIMES)).min(1).max(2),
  /** Times a week: of a strong thing its evenings. */
  perWeek: z.number().int().min(1).max(7),
  /** A physician's: nobody here changes it. */
  prescribed: z.boolean().default(false),
})
export type HomeUse = z.infer<typeof HomeUse>

/** Whether a plan was kept to, as the client says. */
export const HOME_KEPT = ['as told', 'less', 'stopped'] as const
/** What is told of home care at a visit. */
export const HomeTold = z.strictObject({
  uses: z.array(HomeUse).max(20),
  kept: z.enum(HOME_KEPT).nullable(),
  why: z.string().trim().max(400),
})
export type HomeTold = z.infer<typeof HomeTold>

/** Why a line stands, or why something is left out; `ruleId` where a rule says so. */
export const HomeWhy = z.strictObject({
  words: z.string().max(400),
  ruleId: z.string().max(20).optional(),
})
export type HomeWhy = z.infer<typeof HomeWhy>

/** How often a strong thing is used from a day on. */
export const Pace = z.strictObject({ from: IsoDate, perWeek: z.number().int().min(1).max(7) })
export type Pace = z.infer<typeof Pace>

export const HomeLine = z.strictObject({
  /** Stable within a plan. */
  id: z.string().max(80),
  role: z.enum(HOME_ROLES),
  productId: z.string().max(60).optional(),
  name: z.string().max(120),
  times: z.array(z.enum(HOME_TIMES)).min(1).max(2),
  /** Goes on: theirs. New: of the shelf. Kit: the rest of an opened kit. Kind: any of its kind, where nothing of the shelf may be named. */
  state: z.enum(['goes on', 'new', 'kit', 'kind']),
  from: IsoDate,
  concern: Concern.optional(),
  zones: z.array(ZoneId).min(1),
  /** Of a strong thing alone: from when how often; the last holds on. */
  pace: z.array(Pace).optional(),
  /** "2½ fingertips", "1 pump". */
  amount: z.string().max(60).optional(),
  /** The day one pack, or the rest of the kit, is used up. */
  lastsUntil: IsoDate.optional(),
  how: z.string().max(300),
  why: z.array(HomeWhy),
  prescribed: z.boolean().optional(),
})
export type HomeLine = z.infer<typeof HomeLine>

export const HomeLeft = z.strictObject({
  name: z.string().max(120),
  why: HomeWhy,
  /** Theirs: they are told to stop it, or to ask whoever prescribed it. */
  isTheirs: z.boolean(),
  prescribed: z.boolean(),
})
export type HomeLeft = z.infer<typeof HomeLeft>

export const HomePause = z.strictObject({
  what: z.enum(PAUSED),
  /** The first day on which it is allowed again. */
  again: IsoDate,
  because: z.string().max(120),
  basis: z.string().max(200),
})
export type HomePause = z.infer<typeof HomePause>

/** One evening, and one morning: the strong thing of each, where there is one. */
export const HomeDay = z.strictObject({
  date: IsoDate,
  evening: z.string().max(80).optional(),
  morning: z.string().max(80).optional(),
  /** Nothing strong: today's work, or the days before the next visit. */
  rests: z.enum(['after', 'before']).optional(),
})
export type HomeDay = z.infer<typeof HomeDay>

/** A note with the day it begins, where it has one. */
export const HomeNote = z.strictObject({ words: z.string().max(300), from: IsoDate.optional() })
export type HomeNote = z.infer<typeof HomeNote>

export const HomePlan = z.strictObject({
  on: IsoDate,
  /** In order of use; the same line may stand in the morning and in the evening. */
  lines: z.array(HomeLine),
  left: z.array(HomeLeft),
  days: z.array(HomeDay),
  pauses: z.array(HomePause),
  /** What the first days are made of, until the plan goes on. */
  firstDays: z.strictObject({ until: IsoDate, notes: z.array(HomeNote) }),
  before: z.array(HomeNote),
  next: z.strictObject({ on: IsoDate, isBooked: z.boolean() }).optional(),
  /** Ids of movements to practise. */
  movements: z.array(z.string().max(40)),
  usual: z.array(z.string().max(200)),
})
export type HomePlan = z.infer<typeof HomePlan>
