import type { Product, Recipe } from '../catalog/model'
import { WATER } from '../catalog/words'
import { massShares } from './shares'

/** Something about a mix that a person must know. `limit`: its maker allows less; `missing`: a part is on no shelf; `weigh`: a figure is lacking; `note`: good to know. */
export interface MixFault {
  readonly kind: 'limit' | 'missing' | 'weigh' | 'note'
  readonly productId: string
  readonly says: string
  /** The most parts that keep the limit, where there are any. */
  readonly mostParts?: number | undefined
}
type Parts = Recipe['parts']

/** The part the others are stirred into: the largest that is not water. */
export const baseOf = ({ parts }: Pick<Recipe, 'parts'>): string | undefined =>
  [...parts].filter((part) => part.productId !== WATER).sort((a, b) => b.parts - a.parts)[0]
    ?.productId

/** What is wrong with a mix, or not said by a maker, whatever its amount. */
export function mixFaults(
  recipe: Pick<Recipe, 'by' | 'parts'>,
  products: readonly Product[],
): MixFault[] {
  const baseId = baseOf(recipe)
  const base = products.find(({ id }) => id === baseId)
  return [...massShares(recipe, products).of].flatMap(([productId, share]): MixFault[] => {
    if (productId === WATER) return []
    const product = products.find(({ id }) => id === productId)
    if (!product) return [{ kind: 'missing', productId, says: `${productId} is not on the shelf.` }]
    if (!product.additive) return productId === baseId ? [] : [silentMaker(product)]
    return [
      ...shareFaults(product, product.additive, share, recipe.parts),
      ...baseFaults(product, product.additive, base),
    ]
  })
}

type Additive = NonNullable<Product['additive']>

const silentMaker = ({ id, name }: Product): MixFault => ({
  kind: 'note',
  productId: id,
  says: `The maker of ${name} says nothing about stirring it into others.`,
})

function shareFaults(
  { id, name }: Product,
  { mostPercent }: Additive,
  share: number,
  parts: Parts,
): MixFault[] {
  if (share * 100 <= mostPercent + 1e-9) return []
  const says = `${name}: ${tenth(share * 100)} % of the mix, at most ${mostPercent} %.`
  return [
    { kind: 'limit', productId: id, says, mostParts: mostParts(id, mostPercent, share, parts) },
  ]
}

/** p' of the others' parts: p'/(p' + rest) = limit, in the share's own weights; rounded down to a hundredth. */
function mostParts(
  productId: string,
  mostPercent: number,
  share: number,
  parts: Parts,
): number | undefined {
  const countOf = (some: Parts): number => some.reduce((sum, part) => sum + part.parts, 0)
  const own = countOf(parts.filter((part) => part.productId === productId))
  if (mostPercent >= 100 || countOf(parts) === own) return undefined
  const most = own * (mostPercent / (100 - mostPercent)) * ((1 - share) / share)
  return Math.floor(most * 100) / 100
}

function baseFaults(
  { id, name }: Product,
  { into }: Additive,
  base: Product | undefined,
): MixFault[] {
  if (!into || !base || base.id === id || into.includes(base.kind)) return []
  const says = `${name} goes into ${into.join(', ')}, not into a ${base.kind}.`
  return [{ kind: 'limit', productId: id, says }]
}

const tenth = (value: number): number => Math.round(value * 10) / 10
