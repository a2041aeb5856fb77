import type { Product, Recipe } from '../catalog/model'
import { WATER } from '../catalog/words'
import { quantity } from '../quantity/quantity'
import { volumeAsMass } from '../quantity/spoon'

const WATER_G_PER_TEASPOON = quantity(1, 'tsp-us').base

/** Grams per level teaspoon of a part, where they have been weighed. */
export const spoonOf = (id: string, product: Product | undefined): number | undefined =>
  id === WATER ? WATER_G_PER_TEASPOON : product?.gramsPerTeaspoon
export const partName = (id: string, product: Pick<Product, 'name'> | undefined): string =>
  id === WATER ? 'Water' : (product?.name ?? id)
export interface Shares {
  /** By part id, 0 … 1. */
  readonly of: ReadonlyMap<string, number>
  /** Weights of some parts are not known: taken as of equal weight by volume. */
  readonly byVolume: boolean
}

/** Share of each part by mass; where weights are not known, by volume, which is then said. */
export function massShares(
  recipe: Pick<Recipe, 'by' | 'parts'>,
  products: readonly Product[],
): Shares {
  const weights = recipe.parts.map((part) =>
    recipe.by === 'mass'
      ? part.parts
      : volumeAsMass(
          part.parts,
          spoonOf(
            part.productId,
            products.find((product) => product.id === part.productId),
          ),
        ),
  )
  const byVolume = weights.some((weight) => weight === undefined)
  const used = recipe.parts.map((part, at) => (byVolume ? part.parts : weights[at]!))
  const sum = used.reduce((all, weight) => all + weight, 0)
  const shareById = new Map<string, number>()
  for (const [at, part] of recipe.parts.entries())
    shareById.set(part.productId, (shareById.get(part.productId) ?? 0) + used[at]! / sum)
  return { of: shareById, byVolume }
}

export interface MixActive {
  readonly name: string
  readonly percent: number
  /** Which parts bring it. */
  readonly from: readonly string[]
}
/** Percent of every active in a mix: C₁V₁ of each part over the whole, added up by name; the strongest first. pH of a mix is not predicted. */
export function mixActives(
  recipe: Pick<Recipe, 'by' | 'parts'>,
  products: readonly Product[],
): MixActive[] {
  const shares = massShares(recipe, products)
  const found = new Map<string, { percent: number; from: string[] }>()
  for (const [id, share] of shares.of) {
    const product = products.find((product) => product.id === id)
    for (const active of product?.actives ?? []) {
      const known = found.get(active.name) ?? { percent: 0, from: [] }
      found.set(active.name, {
        percent: known.percent + active.percent * share,
        from: [...known.from, partName(id, product)],
      })
    }
  }
  return [...found]
    .map(([name, { percent, from }]) => ({
      name,
      percent: Math.round(percent * 1000) / 1000,
      from,
    }))
    .sort((a, b) => b.percent - a.percent || a.name.localeCompare(b.name))
}
