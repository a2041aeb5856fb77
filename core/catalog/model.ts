import { z } from 'zod'
import { Concern, IsoDate } from '../client/model'
import { Segment } from '../protocol/model'
import { PHASES, PROPERTIES } from '../protocol/words'
import { SalonMeasure } from '../quantity/model'
import { ZoneId } from '../skin/model'

export const SENSATIONS = ['warm', 'tingling', 'stinging', 'burning', 'itch', 'hives', 'swelling', 'dizzy', 'panic', 'cannot-breathe', 'whitening', 'discomfort-seen'] as const

/** What a product or device is expected to feel like, in seconds after it lies on the skin. */
export const Expected = z.strictObject({
  sensation: z.enum(SENSATIONS),
  onsetS: z.number().int().min(0),
  fadeS: z.number().int().min(0),
  comfort: z.string().max(160),
})

/** One way a product is used: its phase, zones and times. */
export const Use = z.strictObject({
  id: z.string(),
  phase: z.enum(PHASES),
  zones: z.array(ZoneId).min(1),
  properties: z.array(z.enum(PROPERTIES)).optional(),
  segments: z.array(Segment).min(1),
  dose: z.strictObject({ amount: z.number().positive(), unit: z.enum(['g', 'mL']) }).optional(),
})
export type Use = z.infer<typeof Use>

export const Product = z.strictObject({
  id: z.string(),
  name: z.string().min(1).max(120),
  kind: z.enum(['makeup-remover', 'cleanser', 'toner', 'scrub', 'gommage', 'enzyme', 'acid', 'neutraliser', 'concentrate', 'massage', 'mask', 'eye', 'serum', 'moisturiser', 'sun', 'lip', 'soothing', 'gel']),
  concerns: z.array(Concern),
  pH: z.number().min(0).max(14).optional(),
  vehicle: z.enum(['water', 'alcohol', 'anhydrous']),
  actives: z.array(z.strictObject({ name: z.string(), percent: z.number().min(0).max(100) })),
  /** The ingredient list as printed. Left out: not checked, never clear. */
  inci: z.string().max(10000).optional(),
  properties: z.array(z.enum(PROPERTIES)),
  skin: z.enum(['dry', 'damp', 'any']),
  /** What it leaves on the skin that a later step may mind. */
  leaves: z.enum(['nothing', 'oil', 'leave-on']),
  emergencyOff: z.enum(['rinse', 'neutralise then rinse', 'lift off', 'cut and lift']),
  openSkinUse: z.boolean(),
  expected: z.array(Expected),
  measure: SalonMeasure.optional(),
  /** The open batch: when it was opened, how many months it keeps open, and its date. */
  openedOn: IsoDate.optional(),
  afterOpeningMonths: z.number().int().min(1).max(60).optional(),
  bestBefore: IsoDate.optional(),
  /** Grams or millilitres on the shelf. */
  stock: z.number().min(0),
  uses: z.array(Use).min(1),
})
export type Product = z.infer<typeof Product>

export const Device = z.strictObject({
  id: z.string(),
  name: z.string().min(1).max(120),
  properties: z.array(z.enum(PROPERTIES)),
  expected: z.array(Expected),
  setup: z.array(z.string()),
  setting: z.string().max(160),
  /** Longest use on one zone in a visit, in minutes, as its maker says (rule D21). */
  maxMinutes: z.number().positive().optional(),
})
export type Device = z.infer<typeof Device>

export const Shelf = z.strictObject({ products: z.array(Product), devices: z.array(Device) })
export type Shelf = z.infer<typeof Shelf>
export type Sensation = (typeof SENSATIONS)[number]
