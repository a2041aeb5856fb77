import { z } from 'zod'
import { FINDING_KINDS } from './findings'
import { PIGMENT_REGIONS } from './index-regions'
import { DECISIONS, LESION_TYPES, MAP_VIEWS, OUTCOMES } from './lesion-words'
import { METERS } from './meters'
import { ZONES } from './zones'

export const ZoneId = z.enum(ZONES)

/** One thing seen on the skin today, over one or many zones. Grade 1 slight … 4 marked. */
export const Finding = z.strictObject({
  kind: z.enum(FINDING_KINDS),
  grade: z.number().int().min(1).max(4),
  zones: z.array(ZoneId).min(1),
})
export type Finding = z.infer<typeof Finding>

/** One lesion, pinned on the map. x and y from 0 to 1 across the view's own drawing. */
export const Lesion = z.strictObject({
  id: z.string().min(1).max(60),
  view: z.enum(MAP_VIEWS),
  x: z.number().min(0).max(1),
  y: z.number().min(0).max(1),
  zone: ZoneId,
  type: z.enum(LESION_TYPES),
  /** What the eye saw and the touch confirmed. */
  painful: z.boolean(),
  deep: z.boolean(),
  head: z.boolean(),
  decision: z.enum(DECISIONS),
  outcome: z.enum(OUTCOMES).optional(),
  note: z.string().max(300).optional(),
})
export type Lesion = z.infer<typeof Lesion>

/** One value from a meter, typed or read from a probe. Hydration, sebum and redness on the probe's own scale 0–100; L, a, b are CIELAB. */
export const MeterValue = z.strictObject({
  kind: z.enum(METERS),
  zone: ZoneId,
  value: z.number().min(-128).max(128),
  source: z.enum(['typed', 'probe']),
})
export type MeterValue = z.infer<typeof MeterValue>

/** Grades of the pigment index by region: area 0–6, darkness and homogeneity 0–4. */
export const PigmentGrades = z.strictObject({
  area: z.number().int().min(0).max(6),
  darkness: z.number().int().min(0).max(4),
  homogeneity: z.number().int().min(0).max(4),
})

/** The reading of one visit. `done` is false until the practitioner has looked. */
export const Reading = z.strictObject({
  done: z.boolean(),
  findings: z.array(Finding),
  lesions: z.array(Lesion).max(300).default([]),
  meters: z.array(MeterValue).max(300).default([]),
  /** Grades typed into the pigment calculator, by region. */
  pigment: z.partialRecord(z.enum(PIGMENT_REGIONS), PigmentGrades).optional(),
  /** Answers to the phototype questionnaire, 0–4 each. */
  phototypeAnswers: z.array(z.number().int().min(0).max(4)).max(10).optional(),
  /** How the light was, so that before and after can be compared. */
  light: z.string().max(120).optional(),
})
export type Reading = z.infer<typeof Reading>
export const NOTHING_READ: Reading = { done: false, findings: [], lesions: [], meters: [] }
