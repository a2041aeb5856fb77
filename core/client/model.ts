import { z } from 'zod'
import { ZoneId } from '../skin/model'
import { CONCERNS } from './concerns'

export const IsoDate = z.iso.date()

/** One dated answer to a health question. Never overwritten: a later answer to the same code replaces it in force. */
export const Fact = z.strictObject({
  code: z.string().min(1).max(80),
  answer: z.enum(['yes', 'no', 'unknown']),
  askedOn: IsoDate,
  /** When it began, was done or was stopped, as the question says. Left out: now. */
  on: IsoDate.optional(),
  zones: z.array(ZoneId).optional(),
  /** For allergies: what happened. */
  reaction: z.enum(['breathing', 'rash', 'dislike']).optional(),
  note: z.string().max(500).optional(),
})
export type Fact = z.infer<typeof Fact>

/** A product this client refused or reacted to. */
export const ProductMemory = z.strictObject({
  productId: z.string(),
  memory: z.enum(['refused', 'reacted']),
  on: IsoDate,
  note: z.string().max(500).optional(),
})
export type ProductMemory = z.infer<typeof ProductMemory>

/** A clearance, with who gave it and until when: evidence that loosens exactly one clearance. */
export const Clearance = z.strictObject({
  clearance: z.string(),
  by: z.string().min(1).max(120),
  on: IsoDate,
  until: IsoDate.optional(),
})
export type Clearance = z.infer<typeof Clearance>

/** A patch test of one product on one zone. Quick: 1–2 min, shows sting only. Delayed: read after 24–48 h. */
export const PatchTest = z.strictObject({
  productId: z.string(),
  kind: z.enum(['quick', 'delayed']),
  zone: ZoneId,
  placedOn: IsoDate,
  readOn: IsoDate.optional(),
  result: z.enum(['waiting', 'calm', 'reacted']),
  note: z.string().max(300).optional(),
})
export type PatchTest = z.infer<typeof PatchTest>

/** Ranked goals: the first is the most wanted. */
export const Concern = z.enum(CONCERNS)
export type Concern = z.infer<typeof Concern>

/** More of a goal: the zones it is about (left out: everywhere), and whether it is the client's own wish or what you see. */
export const GoalDetail = z.strictObject({
  zones: z.array(ZoneId).min(1).optional(),
  wish: z.literal(true).optional(),
})
export const GoalDetails = z.partialRecord(Concern, GoalDetail)
export type GoalDetails = z.infer<typeof GoalDetails>

export const Client = z.strictObject({
  id: z.string(),
  name: z.string(),
  bornOn: IsoDate,
  facts: z.array(Fact),
  memories: z.array(ProductMemory),
  clearances: z.array(Clearance),
  patchTests: z.array(PatchTest).default([]),
  concerns: z.array(Concern),
  goalDetails: GoalDetails.optional(),
  notes: z.array(z.string()).optional(),
})
export type Client = z.infer<typeof Client>
