import { z } from 'zod'
import { Concern, IsoDate } from '../client/model'
import { Segment } from '../protocol/model'
import { PHASES, PROPERTIES } from '../protocol/words'
import { SalonMeasure } from '../quantity/model'
import { ZoneId } from '../skin/model'
import {
  BOWLS,
  CASTS,
  CONSISTENCIES,
  EMERGENCY_OFF,
  GREASES,
  HOME_ROLES,
  HOME_TIMES,
  LEAVES,
  PRODUCT_KINDS,
  SENSATIONS,
  SKIN_STATES,
  SUPPLY_KINDS,
  TEXTURES,
  UNITS,
  VEHICLES,
} from './words'

export { SENSATIONS } from './words'
/** Money in whole minor units of the salon's currency (cents). */
export const Minor = z.number().int().min(0).max(100_000_000)

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

/** Working and setting time in seconds at one water temperature. */
const Setting = z.strictObject({
  celsius: z.number().min(0).max(60),
  workingS: z.number().int().min(20).max(3600),
  setsS: z.number().int().min(30).max(7200),
})

/** How something is mixed before it is used. */
export const Mixing = z.strictObject({
  /** Millilitres of water to one gram of powder. */
  waterMlPerG: z.number().positive().max(20).optional(),
  waterC: z
    .strictObject({
      least: z.number().min(0).max(60),
      usual: z.number().min(0).max(60),
      most: z.number().min(0).max(60),
    })
    .refine((c) => c.least <= c.usual && c.usual <= c.most, {
      error: 'least, usual and most must not decrease',
    })
    .optional(),
  /** How warmth of the water shortens its times: as alginates do from one figure, or by the maker's table. */
  sets: z
    .discriminatedUnion('by', [
      z.strictObject({ by: z.literal('alginate'), at: Setting }),
      z.strictObject({ by: z.literal('table'), rows: z.array(Setting).min(1).max(12) }),
    ])
    .optional(),
  /** It must rest so long before it is used. */
  restS: z.number().int().min(0).max(3600).optional(),
  bowl: z.enum(BOWLS).optional(),
  consistency: z.enum(CONSISTENCIES).optional(),
})
export type Mixing = z.infer<typeof Mixing>

/** A mix by parts; `water` is a part like any other. By mass the parts are grams to grams, by volume spoons to spoons. */
export const Recipe = z.strictObject({
  by: z.enum(['mass', 'volume']),
  parts: z
    .array(
      z.strictObject({
        productId: z.string().min(1).max(60),
        parts: z.number().positive().max(1000),
      }),
    )
    .min(2)
    .max(8),
  /** What the mix says of itself, apart from its parts; kept by core/mixing/house-mix. */ own: z
    .strictObject({
      properties: z.array(z.enum(PROPERTIES)),
      skin: z.enum(SKIN_STATES),
      expected: z.array(Expected),
      emergencyOff: z.enum(EMERGENCY_OFF),
      openSkinUse: z.boolean(),
    })
    .optional(),
})
export type Recipe = z.infer<typeof Recipe>

/** One batch of a product on the shelf. */
export const Batch = z.strictObject({
  id: z.string().min(1).max(60),
  lot: z.string().max(60),
  receivedOn: IsoDate,
  bestBefore: IsoDate.optional(),
  openedOn: IsoDate.optional(),
  /** What is left of it, in the product's own unit. */
  left: z.number().min(0).max(1_000_000),
})
export type Batch = z.infer<typeof Batch>

const makersMinutes = z.number().min(0.5).max(240)

/**
 * What a maker prints, with where it stands: nothing counts without its source. It always tightens; it loosens only what the law names
 * (rules.md, law 15), which the readers of these fields keep to.
 */
export const MakersWord = z.strictObject({
  /** The leaflet or label, with its date or edition. */
  source: z.string().trim().min(3).max(200),
  /** Minutes of processing or work. */
  minutes: z
    .strictObject({ usual: makersMinutes, most: makersMinutes })
    .refine((minutes) => minutes.usual <= minutes.most, {
      error: 'the usual minutes are more than the most',
    })
    .optional(),
  /** Days until it is used again, at the least. */
  daysBetween: z.number().int().min(1).max(183).optional(),
  /** On what skin it goes on. */
  skin: z.enum(SKIN_STATES).optional(),
  /** Whether it may come off warm. */
  warmRemoval: z.boolean().optional(),
})
export type MakersWord = z.infer<typeof MakersWord>

/** A pack for a client's own use; the amount in the product's own unit. `count`: packs on the shelf. */
export const HomePack = z.strictObject({
  role: z.enum(HOME_ROLES),
  times: z.array(z.enum(HOME_TIMES)).min(1).max(2),
  amount: z.number().positive().max(10_000),
  /** At once, in the product's own unit; left out: as in the salon. */
  dose: z.number().positive().max(100).optional(),
  priceMinor: Minor,
  count: z.number().int().min(0).max(100_000),
})
export type HomePack = z.infer<typeof HomePack>

export const Product = z.strictObject({
  id: z.string(),
  name: z.string().min(1).max(120),
  kind: z.enum(PRODUCT_KINDS),
  concerns: z.array(Concern),
  pH: z.number().min(0).max(14).optional(),
  vehicle: z.enum(VEHICLES),
  actives: z.array(z.strictObject({ name: z.string(), percent: z.number().min(0).max(100) })),
  /** The ingredient list as printed. Left out: not checked, never clear. */
  inci: z.string().max(10000).optional(),
  properties: z.array(z.enum(PROPERTIES)),
  skin: z.enum(SKIN_STATES),
  /** What it leaves on the skin that a later step may mind. */
  leaves: z.enum(LEAVES),
  emergencyOff: z.enum(EMERGENCY_OFF),
  openSkinUse: z.boolean(),
  expected: z.array(Expected),
  measure: SalonMeasure.optional(),
  /** What it is counted in; left out: as its first dose. */
  unit: z.enum(UNITS).optional(),
  /** Weight of one level US teaspoon, by the salon's own scale: the way from spoons to grams. */
  gramsPerTeaspoon: z.number().positive().max(30).optional(),
  mixing: Mixing.optional(),
  /** A house mix: what it is made of. Ingredients, actives, stock and price then follow from the parts (core/mixing/house-mix). */
  recipe: Recipe.optional(),
  /** May be stirred into another, up to this share of the mix. */
  additive: z
    .strictObject({
      mostPercent: z.number().positive().max(100),
      into: z.array(z.enum(PRODUCT_KINDS)).min(1).optional(),
    })
    .optional(),
  /** What stands in for it, like for like, the best first. */
  substitutes: z.array(z.string().max(60)).max(12).optional(),
  finish: z
    .strictObject({ cast: z.enum(CASTS), grease: z.enum(GREASES), tint: z.boolean() })
    .optional(),
  /** What is told of the skin after it: redness in hours, flaking in days. Only what lasts longer counts as strong (rule E05). */
  aftermath: z
    .strictObject({
      rednessHours: z.number().int().min(0).max(240),
      flakingDays: z.number().int().min(0).max(30),
    })
    .optional(),
  /** Of a sun protection: what its label says. */
  spf: z.number().int().min(2).max(100).optional(),
  broadSpectrum: z.boolean().optional(),
  texture: z.enum(TEXTURES).optional(),
  /** Only by day, or only in the evening, as its maker says. */
  time: z.enum(['day', 'evening']).optional(),
  /** One pack as it is bought. */
  pack: z
    .strictObject({ amount: z.number().positive().max(1_000_000), priceMinor: Minor })
    .optional(),
  /** It goes home: as what, when, and in which pack. Left out: it stays in the salon. */
  takeHome: HomePack.optional(),
  /** The lot of the batch in use. */
  lot: z.string().max(60).optional(),
  note: z.string().max(2000).optional(),
  maker: MakersWord.optional(),
  /** The open batch: when it was opened, how many months it keeps open, and its date. */
  openedOn: IsoDate.optional(),
  afterOpeningMonths: z.number().int().min(1).max(60).optional(),
  bestBefore: IsoDate.optional(),
  /** Nobody has counted it yet: until its first batch it is taken to be there, and nothing is said of how much. */
  uncounted: z.literal(true).optional(),
  /** Grams or millilitres on the shelf. */
  stock: z.number().min(0),
  /** None: it only goes into mixes. */
  uses: z.array(Use).max(12),
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
  /** Zones in the order its maker gives. */
  zoneOrder: z.array(ZoneId).optional(),
  /** Levels it can be set to, where it starts, and what one joule or watt setting means in its maker's words. */
  levels: z
    .strictObject({ from: z.number(), to: z.number(), start: z.number(), unit: z.string().max(20) })
    .refine((l) => l.from <= l.start && l.start <= l.to, {
      error: 'the start must lie within the range',
    })
    .optional(),
  energy: z.string().max(160).optional(),
  /** Used up at each visit: tips, cartridges. */
  consumables: z
    .array(z.strictObject({ supplyId: z.string().max(60), count: z.number().positive().max(99) }))
    .max(8)
    .optional(),
})
export type Device = z.infer<typeof Device>

/** What is laid out besides products: used once, washed, or kept. Money per pack, or per wash. */
export const Supply = z.strictObject({
  id: z.string().min(1).max(60),
  name: z.string().min(1).max(120),
  kind: z.enum(SUPPLY_KINDS),
  pack: z.number().int().min(1).max(100_000),
  packMinor: Minor,
  stock: z.number().min(0).max(1_000_000),
})
export type Supply = z.infer<typeof Supply>

/** A set sold as one for a client and a concern: part is used in the visit, the rest goes home. */
export const Kit = z.strictObject({
  id: z.string().min(1).max(60),
  name: z.string().min(1).max(120),
  concern: Concern,
  priceMinor: Minor,
  stock: z.number().int().min(0).max(100_000),
  items: z
    .array(
      z.strictObject({
        productId: z.string().max(60),
        amount: z.number().positive().max(10_000),
        home: z.string().max(160),
      }),
    )
    .min(1)
    .max(12),
})
export type Kit = z.infer<typeof Kit>

export const Shelf = z.strictObject({ products: z.array(Product), devices: z.array(Device) })
export type Shelf = z.infer<typeof Shelf>
export type Sensation = (typeof SENSATIONS)[number]
