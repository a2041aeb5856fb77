import { usableUntil } from '../catalog/batches'
import { INCI_MOST } from '../catalog/inci'
import type { Product, Recipe, Shelf } from '../catalog/model'
import { EMERGENCY_OFF, VEHICLES, WATER } from '../catalog/words'
import { AHA_REVIEW, ALKALINE_PH, isReviewed } from '../chemistry'
import type { Property } from '../protocol/words'
import { mixActives } from './shares'
import { partsOf } from './recipe'

/** What a mix has only when it says so itself, or when every part does: good qualities and permissions. Everything else of any part counts for the whole. */
const GOOD: ReadonlySet<Property> = new Set([
  'lip-safe',
  'softening',
  'calming',
  'sun-filter',
  'toning',
  'neutralising',
  'cleansing',
  'blotting',
  'conductive',
  'open-skin-use',
  'leave-on',
  'wants-dry',
  'wants-damp',
  'drying',
  'rests',
  'stand-alone',
  'sets',
  'eye-work',
])

/**
 * A house mix as the rules and the shelf see it. Its own dwell, drying and cover stay; ingredients, actives, stock and dates follow from
 * its parts; hazards of any part count for the whole, good qualities only when the mix claims them; the strictest way off wins. The pH is
 * not predicted: an alkaline part, or one below the review's pH, marks the whole. A part on no shelf, or without an ingredient list,
 * leaves the mix without one (not checked, never clear) or without stock.
 */
export function composed(mix: Product, products: readonly Product[]): Product {
  if (!mix.recipe) return mix
  const own = mix.recipe.own ?? ownOf(mix)
  const named = mix.recipe.parts.filter((part) => part.productId !== WATER)
  const parts = named.flatMap(
    ({ productId }) => products.find(({ id, recipe }) => id === productId && !recipe) ?? [],
  )
  const isWhole = parts.length === named.length
  const hasWater = named.length < mix.recipe.parts.length
  const list = isWhole ? listOf(parts, hasWater) : undefined
  const bestBefore = earliestEnd(parts)
  return {
    ...withoutDerived(mix),
    recipe: { ...mix.recipe, own },
    vehicle: vehicleOf(parts, hasWater),
    actives: mixActives(mix.recipe, products).map(({ name, percent }) => ({ name, percent })),
    ...(list === undefined ? {} : { inci: list }),
    properties: propertiesOf(own.properties, parts),
    skin: skinOf(own, parts),
    expected: expectedOf(own, parts),
    emergencyOff: strictestOff(own, parts),
    openSkinUse: own.openSkinUse && parts.every((part) => part.openSkinUse),
    ...(bestBefore ? { bestBefore } : {}),
    stock: isWhole ? stockOf(mix, parts) : 0,
  }
}

type Own = NonNullable<Recipe['own']>

/** What a mix says of itself. */
const ownOf = ({ properties, skin, expected, emergencyOff, openSkinUse }: Product): Own => ({
  properties,
  skin,
  expected,
  emergencyOff,
  openSkinUse,
})

/** A mix without what follows from its parts. */
function withoutDerived(mix: Product): Omit<Product, 'inci' | 'pH'> {
  const {
    pH: _pH,
    inci: _inci,
    openedOn: _opened,
    bestBefore: _best,
    lot: _lot,
    afterOpeningMonths: _months,
    ...rest
  } = mix
  return rest
}

/** The ingredient lists together; undefined where one is missing or they are too long to be read. */
function listOf(parts: readonly Product[], hasWater: boolean): string | undefined {
  const lists = [...(hasWater ? ['Aqua'] : []), ...parts.map((part) => part.inci)]
  if (!lists.every((list) => list?.trim())) return undefined
  const list = lists.join(', ')
  return list.length <= INCI_MOST ? list : undefined
}

const earliestEnd = (parts: readonly Product[]): string | undefined =>
  parts.flatMap((part) => usableUntil(part, part.afterOpeningMonths) ?? []).sort()[0]

/** Its own state of the skin; else the first that a part asks for. */
function skinOf(own: Own, parts: readonly Product[]): Product['skin'] {
  if (own.skin !== 'any') return own.skin
  return parts.find((part) => part.skin !== 'any')?.skin ?? 'any'
}

/** Each sensation once: as the mix says it, else as the first part does. */
function expectedOf(own: Own, parts: readonly Product[]): Product['expected'] {
  const bySensation = new Map<string, Product['expected'][number]>()
  for (const expected of [...own.expected, ...parts.flatMap((part) => part.expected)]) {
    if (!bySensation.has(expected.sensation)) bySensation.set(expected.sensation, expected)
  }
  return [...bySensation.values()]
}

function strictestOff(own: Own, parts: readonly Product[]): Product['emergencyOff'] {
  const strictness = [own, ...parts].map((part) => EMERGENCY_OFF.indexOf(part.emergencyOff))
  return EMERGENCY_OFF[Math.max(...strictness)]!
}

function propertiesOf(own: readonly Property[], parts: readonly Product[]): Property[] {
  const hazards = parts.flatMap((part): Property[] => [
    ...part.properties.filter((property) => !GOOD.has(property)),
    ...(part.pH !== undefined && part.pH > ALKALINE_PH ? ['alkaline' as const] : []),
    ...(part.pH !== undefined &&
    part.pH < AHA_REVIEW.professional.pH &&
    part.actives.some((active) => isReviewed(active.name))
      ? ['outside-review' as const]
      : []),
  ])
  const lips =
    own.includes('lip-safe') && !parts.every((part) => part.properties.includes('lip-safe'))
  return [...new Set([...own.filter((property) => !(lips && property === 'lip-safe')), ...hazards])]
}

function vehicleOf(parts: readonly Product[], hasWater: boolean): Product['vehicle'] {
  const has = (vehicle: Product['vehicle']) => parts.some((part) => part.vehicle === vehicle)
  if (has('alcohol')) return 'alcohol'
  return hasWater || has('water') ? 'water' : VEHICLES[2]
}

/** How much of the mix its scarcest part still makes, in grams (by mass) or millilitres (by volume). */
function stockOf(mix: Product, parts: readonly Product[]): number {
  const hundred = partsOf(mix, { amount: 100, unit: mix.recipe!.by === 'mass' ? 'g' : 'mL' }, parts)
  const makes = hundred.map(({ productId, amount }) =>
    amount === 0 ? Infinity : (100 * parts.find((part) => part.id === productId)!.stock) / amount,
  )
  const least = Math.min(...makes)
  return Number.isFinite(least) ? Math.floor(least * 10) / 10 : 0
}

const kept = new WeakMap<Shelf, Shelf>()
/** A shelf with its house mixes composed; the same shelf gives the same answer. */
export function composedShelf(shelf: Shelf): Shelf {
  if (!shelf.products.some((product) => product.recipe)) return shelf
  const known = kept.get(shelf) ?? {
    ...shelf,
    products: shelf.products.map((product) => composed(product, shelf.products)),
  }
  kept.set(shelf, known)
  kept.set(known, known)
  return known
}

/** The shelf with a part of one mix replaced by another product: what a stand-in for a booster makes of it. */
export function withPartReplaced(shelf: Shelf, mixId: string, partId: string, byId: string): Shelf {
  return {
    ...shelf,
    products: shelf.products.map((product) =>
      product.id === mixId && product.recipe
        ? {
            ...product,
            recipe: {
              ...product.recipe,
              parts: product.recipe.parts.map((part) =>
                part.productId === partId ? { ...part, productId: byId } : part,
              ),
            },
          }
        : product,
    ),
  }
}
