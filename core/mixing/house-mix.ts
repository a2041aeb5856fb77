import { usableUntil } from '../catalog/batches'
import { INCI_MOST } from '../catalog/inci'
import type { Product, Recipe, Shelf } from '../catalog/model'
import { EMERGENCY_OFF, VEHICLES, WATER } from '../catalog/words'
import { AHA_REVIEW, ALKALINE_PH, isReviewed } from '../chemistry'
import type { Property } from '../protocol/words'
import { mixActives, partsOf } from './recipe'

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
  const own: NonNullable<Recipe['own']> = mix.recipe.own ?? {
    properties: mix.properties,
    skin: mix.skin,
    expected: mix.expected,
    emergencyOff: mix.emergencyOff,
    openSkinUse: mix.openSkinUse,
  }
  const named = mix.recipe.parts.filter((part) => part.productId !== WATER)
  const parts = named.flatMap(
    (part) => products.find((one) => one.id === part.productId && !one.recipe) ?? [],
  )
  const whole = parts.length === named.length
  const hasWater = named.length < mix.recipe.parts.length
  const ends = parts.flatMap((part) => usableUntil(part, part.afterOpeningMonths) ?? []).sort()[0]
  const lists = [...(hasWater ? ['Aqua'] : []), ...parts.map((part) => part.inci)]
  const inci = whole && lists.every((list) => list?.trim()) ? lists.join(', ') : undefined
  const {
    pH: _pH,
    inci: _inci,
    openedOn: _opened,
    bestBefore: _best,
    lot: _lot,
    afterOpeningMonths: _months,
    ...rest
  } = mix
  return {
    ...rest,
    recipe: { ...mix.recipe, own },
    vehicle: vehicleOf(parts, hasWater),
    actives: mixActives(mix.recipe, products).map(({ name, percent }) => ({ name, percent })),
    ...(inci !== undefined && inci.length <= INCI_MOST ? { inci } : {}),
    properties: propertiesOf(own.properties, parts),
    skin:
      own.skin !== 'any' ? own.skin : (parts.find((part) => part.skin !== 'any')?.skin ?? 'any'),
    expected: [...own.expected, ...parts.flatMap((part) => part.expected)].filter(
      (one, at, all) => all.findIndex((other) => other.sensation === one.sensation) === at,
    ),
    emergencyOff:
      EMERGENCY_OFF[
        Math.max(...[own, ...parts].map((one) => EMERGENCY_OFF.indexOf(one.emergencyOff)))
      ]!,
    openSkinUse: own.openSkinUse && parts.every((part) => part.openSkinUse),
    ...(ends ? { bestBefore: ends } : {}),
    stock: whole ? stockOf(mix, parts) : 0,
  }
}

function propertiesOf(own: readonly Property[], parts: readonly Product[]): Property[] {
  const hazards = parts.flatMap((part): Property[] => [
    ...part.properties.filter((property) => !GOOD.has(property)),
    ...(part.pH !== undefined && part.pH > ALKALINE_PH ? ['alkaline' as const] : []),
    ...(part.pH !== undefined &&
    part.pH < AHA_REVIEW.professional.pH &&
    part.actives.some((one) => isReviewed(one.name))
      ? ['outside-review' as const]
      : []),
  ])
  const lips =
    own.includes('lip-safe') && !parts.every((part) => part.properties.includes('lip-safe'))
  return [...new Set([...own.filter((property) => !(lips && property === 'lip-safe')), ...hazards])]
}

const vehicleOf = (parts: readonly Product[], hasWater: boolean): Product['vehicle'] =>
  parts.some((part) => part.vehicle === 'alcohol')
    ? 'alcohol'
    : hasWater || parts.some((part) => part.vehicle === 'water')
      ? 'water'
      : VEHICLES[2]

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
