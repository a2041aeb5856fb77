import { familyById, readInci, type Product, type Recipe } from '#core/catalog'
import type { Concern } from '#core/client'
import { goodsMinor } from '#core/costing'
import {
  composed,
  mixActives,
  partsOf,
  scaleRecipe,
  type Amount,
  type MixActive,
  type Scaled,
} from '#core/mixing'
import { propertyWords, segment, type Phase, type Property } from '#core/protocol'
import { FACE_NECK } from '#core/skin'
import { idFrom } from '~/support/shelf/shelf'

/** One line on the bench: its part in the ratio, and what the scale said of it. */
export interface BenchPart {
  readonly productId: string
  readonly parts: number
  readonly weighedG?: number | undefined
}
export interface BenchResult {
  readonly scaled: Scaled
  readonly actives: readonly MixActive[]
  /** As weighed, where every part was: the ratio that really is in the bowl. */
  readonly weighed:
    | {
        readonly grams: number
        readonly actives: readonly MixActive[]
        readonly faults: Scaled['faults']
      }
    | undefined
  readonly costMinor: number
  readonly unpriced: readonly string[]
  /** What it now is for the rules, in words. */
  readonly is: readonly string[]
  readonly allergens: readonly string[]
  readonly unread: boolean
}

const DRAFT: Omit<Product, 'recipe'> = {
  id: 'on-the-bench',
  name: 'This mix',
  kind: 'mask',
  concerns: [],
  vehicle: 'water',
  actives: [],
  properties: [],
  skin: 'any',
  leaves: 'nothing',
  emergencyOff: 'rinse',
  openSkinUse: false,
  expected: [],
  stock: 0,
  uses: [],
}

/** What belongs to a mix and not to its base: when, how long, resting, drying, nothing over it. */
export interface OwnRules {
  readonly name: string
  readonly kind: Product['kind']
  readonly concern: Concern
  readonly phase: Phase
  readonly dwellMin: number
  readonly restS: number
  readonly standAlone: boolean
  readonly drying: boolean
  readonly consistency: NonNullable<NonNullable<Product['mixing']>['consistency']>
}

/** A mix of the bench as a product of the shelf, with one use of the amount that was made. */
export function asHouseMix(
  own: OwnRules,
  recipe: Recipe,
  dose: Amount,
  taken: ReadonlySet<string>,
): Product {
  const properties: Property[] = [
    ...(own.standAlone ? ['stand-alone' as const] : []),
    ...(own.drying ? ['drying' as const] : []),
    ...(own.restS > 0 ? ['rests' as const] : []),
  ]
  const segments = [
    segment('mix', 'prepare', 1.5, { potLifeS: 600 }),
    segment('on', 'apply', 2),
    ...(own.dwellMin > 0
      ? [segment('dwell', 'dwell', own.dwellMin, { presence: 'room', admits: ['quiet', 'hands'] })]
      : []),
    segment('off', 'remove', 2, { tool: 'sponge', temperature: 'lukewarm' }),
  ]
  return {
    ...DRAFT,
    id: idFrom(own.name, taken),
    name: own.name.trim(),
    kind: own.kind,
    concerns: [own.concern],
    properties,
    recipe,
    uses: [{ id: 'bowl', phase: own.phase, zones: [...FACE_NECK], segments, dose }],
    mixing: {
      bowl: own.restS > 0 ? 'covered bowl' : 'bowl',
      consistency: own.consistency,
      ...(own.restS > 0 ? { restS: own.restS } : {}),
    },
  }
}

export const recipeOf = (by: Recipe['by'], parts: readonly BenchPart[]): Recipe => ({
  by,
  parts: parts.map(({ productId, parts: count }) => ({ productId, parts: count })),
})

/** Everything the bench says of a mix, from its parts and the amount to be made. Undefined while there are not two parts. */
export function benchResult(
  by: Recipe['by'],
  parts: readonly BenchPart[],
  total: Amount,
  products: readonly Product[],
): BenchResult | undefined {
  if (parts.length < 2 || !(total.amount > 0)) return undefined
  const recipe = recipeOf(by, parts)
  const mix = composed({ ...DRAFT, recipe }, products)
  const scaled = scaleRecipe(recipe, products, total)
  const weights = parts.map((part) => part.weighedG)
  const inBowl = weights.every((grams) => grams !== undefined && grams > 0)
    ? recipeOf(
        'mass',
        parts.map((part) => ({ ...part, parts: part.weighedG! })),
      )
    : undefined
  const cost = goodsMinor(partsOf({ ...DRAFT, recipe }, scaled.total, products), products)
  const inci = readInci(mix.inci)
  return {
    scaled,
    actives: mixActives(recipe, products),
    costMinor: cost.minor,
    unpriced: cost.unpriced,
    is: mix.properties.map(propertyWords),
    allergens: [...inci.families.keys()].map((id) => familyById.get(id)?.name ?? id),
    unread: inci.state === 'unread',
    weighed: inBowl && {
      grams: Math.round(weights.reduce<number>((sum, grams) => sum + grams!, 0) * 100) / 100,
      actives: mixActives(inBowl, products),
      faults: scaleRecipe(inBowl, products, { amount: 100, unit: 'g' }).faults,
    },
  }
}
