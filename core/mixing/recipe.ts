import { unitOf } from '../catalog/batches'
import type { Product, Recipe } from '../catalog/model'
import { WATER, type Unit } from '../catalog/words'
import { apportion } from '../quantity/apportion'
import { inMeasures, measureInWords } from '../quantity/measure'
import type { SalonMeasure } from '../quantity/model'
import { quantity } from '../quantity/quantity'
import { massAsVolume, volumeAsMass } from '../quantity/spoon'

export interface Amount {
  readonly amount: number
  readonly unit: Unit
}
/** What a hand gives of an amount: `words` "2½ pumps", `gives` in the amount's unit, `off` its share of error. */
export interface InHand {
  readonly count: number
  readonly words: string
  readonly gives: number
  readonly off: number
}

/** One part of a mix, scaled. Grams or millilitres are left out where there is no way from one to the other. */
export interface PartLine {
  readonly productId: string
  readonly name: string
  /** Its share of the mix, 0 … 1, in what the recipe counts. */
  readonly share: number
  readonly grams?: number | undefined
  readonly mL?: number | undefined
  readonly inHand?: InHand | undefined
}

/** Something about a mix that a person must know. `limit`: its maker allows less; `missing`: a part is on no shelf; `weigh`: a figure is lacking; `note`: good to know. */
export interface MixFault {
  readonly kind: 'limit' | 'missing' | 'weigh' | 'note'
  readonly productId: string
  readonly says: string
  /** The most parts that keep the limit, where there are any. */ readonly mostParts?:
    number | undefined
}
export interface Scaled {
  readonly lines: readonly PartLine[]
  readonly total: Amount
  readonly grams: number | undefined
  readonly mL: number | undefined
  readonly faults: readonly MixFault[]
}

const WATER_G_PER_TEASPOON = quantity(1, 'tsp-us').base
const TEASPOON: SalonMeasure = { name: 'teaspoon', unit: 'mL', per: quantity(1, 'tsp-us').base }
const spoonOf = (id: string, product: Product | undefined): number | undefined =>
  id === WATER ? WATER_G_PER_TEASPOON : product?.gramsPerTeaspoon
export const partName = (id: string, product: Pick<Product, 'name'> | undefined): string =>
  id === WATER ? 'Water' : (product?.name ?? id)
const hundredths = (amount: number): number => Math.round(amount * 100) / 100

/** An amount in the product's own measure; a weighed spoon where it has none; undefined where nothing counts it. */
export function inHandOf(
  product: Pick<Product, 'measure' | 'gramsPerTeaspoon'> | undefined,
  amount: Amount,
): InHand | undefined {
  const own = product?.measure
  const measure: SalonMeasure | undefined =
    own?.unit === amount.unit
      ? own
      : amount.unit === 'mL'
        ? undefined
        : product?.gramsPerTeaspoon === undefined
          ? undefined
          : { name: 'teaspoon', unit: 'g', per: product.gramsPerTeaspoon }
  return measure && counted(amount, measure)
}

function counted({ amount, unit }: Amount, measure: SalonMeasure): InHand | undefined {
  const found = inMeasures(unit === 'g' ? quantity(amount, 'g') : quantity(amount, 'mL'), measure)
  return (
    found && {
      count: found.count,
      words: measureInWords(found.count, measure.name),
      gives: hundredths(amount + found.error),
      off: amount === 0 ? 0 : Math.abs(found.error) / amount,
    }
  )
}

/**
 * A recipe scaled to an amount. Shares keep the recipe's ratio and add up to the amount exactly, to a hundredth of a gram or millilitre.
 * By mass its parts are grams, by volume millilitres (spoons); a product with a weighed teaspoon has both. What its makers allow of an
 * additive is checked against its share by mass, or by volume where the weights are not known. A bad total throws RangeError.
 */
export function scaleRecipe(
  recipe: Pick<Recipe, 'by' | 'parts'>,
  products: readonly Product[],
  total: Amount,
): Scaled {
  if (!(total.amount > 0) || !Number.isFinite(total.amount))
    throw new RangeError('A mix needs an amount above zero.')
  const parts = recipe.parts.map((part) => ({
    ...part,
    product: products.find((one) => one.id === part.productId),
  }))
  const sum = parts.reduce((all, part) => all + part.parts, 0)
  const natural: Unit = recipe.by === 'mass' ? 'g' : 'mL'
  const factor = natural === total.unit ? 1 : perNatural(parts, sum, recipe.by)
  const naturalTotal = factor === undefined ? total.amount : total.amount / factor
  const cuts = apportion(
    Math.round(naturalTotal * 100),
    parts.map((part) => part.parts),
  )
  const lines = parts.map(({ productId, product, parts: count }, at): PartLine => {
    const amount = cuts[at]! / 100
    const spoon = spoonOf(productId, product)
    const [grams, mL] =
      natural === 'g'
        ? [amount, massAsVolume(amount, spoon)]
        : [volumeAsMass(amount, spoon), amount]
    const own = product
      ? inHandOf(
          product,
          unitOf(product) === 'g' && grams !== undefined
            ? { amount: grams, unit: 'g' }
            : mL !== undefined
              ? { amount: mL, unit: 'mL' }
              : { amount, unit: natural },
        )
      : undefined
    return {
      productId,
      name: partName(productId, product),
      share: count / sum,
      grams: grams === undefined ? undefined : hundredths(grams),
      mL: mL === undefined ? undefined : hundredths(mL),
      inHand: own ?? (mL === undefined ? undefined : counted({ amount: mL, unit: 'mL' }, TEASPOON)),
    }
  })
  const all = (values: readonly (number | undefined)[]) =>
    values.every((value) => value !== undefined)
      ? hundredths(values.reduce<number>((a, value) => a + value!, 0))
      : undefined
  const weigh: MixFault[] =
    factor === undefined
      ? [
          {
            kind: 'weigh',
            productId: '',
            says: `No weight per teaspoon is known of ${parts
              .filter((part) => spoonOf(part.productId, part.product) === undefined)
              .map((part) => partName(part.productId, part.product))
              .join(', ')}: counted in ${natural} instead of ${total.unit}.`,
          },
        ]
      : []
  return {
    lines,
    total: {
      amount: hundredths(naturalTotal * (factor ?? 1)),
      unit: factor === undefined ? natural : total.unit,
    },
    grams: all(lines.map((line) => line.grams)),
    mL: all(lines.map((line) => line.mL)),
    faults: [...weigh, ...mixFaults(recipe, products)],
  }
}

/** How much of the other unit one unit of the mix is; undefined where a part cannot be told. */
function perNatural(
  parts: readonly { productId: string; product: Product | undefined; parts: number }[],
  sum: number,
  by: Recipe['by'],
): number | undefined {
  let all = 0
  for (const part of parts) {
    const spoon = spoonOf(part.productId, part.product)
    const one =
      by === 'mass' ? massAsVolume(part.parts / sum, spoon) : volumeAsMass(part.parts / sum, spoon)
    if (one === undefined) return undefined
    all += one
  }
  return all
}

export interface Shares {
  /** By part id, 0 … 1. */ readonly of: ReadonlyMap<string, number>
  /** Weights of some parts are not known: taken as of equal weight by volume. */ readonly byVolume: boolean
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
            products.find((one) => one.id === part.productId),
          ),
        ),
  )
  const byVolume = weights.some((weight) => weight === undefined)
  const used = recipe.parts.map((part, at) => (byVolume ? part.parts : weights[at]!))
  const sum = used.reduce((all, weight) => all + weight, 0)
  const of = new Map<string, number>()
  for (const [at, part] of recipe.parts.entries())
    of.set(part.productId, (of.get(part.productId) ?? 0) + used[at]! / sum)
  return { of, byVolume }
}

export interface MixActive {
  readonly name: string
  readonly percent: number
  /** Which parts bring it. */ readonly from: readonly string[]
}
/** Percent of every active in a mix: C₁V₁ of each part over the whole, added up by name; the strongest first. pH of a mix is not predicted. */
export function mixActives(
  recipe: Pick<Recipe, 'by' | 'parts'>,
  products: readonly Product[],
): MixActive[] {
  const shares = massShares(recipe, products)
  const found = new Map<string, { percent: number; from: string[] }>()
  for (const [id, share] of shares.of) {
    const product = products.find((one) => one.id === id)
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

/** The part the others are stirred into: the largest that is not water. */
export const baseOf = (recipe: Pick<Recipe, 'parts'>): string | undefined =>
  [...recipe.parts].filter((part) => part.productId !== WATER).sort((a, b) => b.parts - a.parts)[0]
    ?.productId

/** What is wrong with a mix, or not said by a maker, whatever its amount. */
export function mixFaults(
  recipe: Pick<Recipe, 'by' | 'parts'>,
  products: readonly Product[],
): MixFault[] {
  const shares = massShares(recipe, products)
  const baseId = baseOf(recipe)
  const base = products.find((one) => one.id === baseId)
  const sum = recipe.parts.reduce((all, part) => all + part.parts, 0)
  return [...shares.of].flatMap(([productId, share]): MixFault[] => {
    if (productId === WATER) return []
    const product = products.find((one) => one.id === productId)
    if (!product) return [{ kind: 'missing', productId, says: `${productId} is not on the shelf.` }]
    const limit = product.additive
    if (!limit)
      return productId === baseId
        ? []
        : [
            {
              kind: 'note',
              productId,
              says: `The maker of ${product.name} says nothing about stirring it into others.`,
            },
          ]
    const faults: MixFault[] = []
    if (share * 100 > limit.mostPercent + 1e-9) {
      const parts = recipe.parts
        .filter((part) => part.productId === productId)
        .reduce((all, part) => all + part.parts, 0)
      // p' of the others' parts: p'/(p' + rest) = limit, in the share's own weights.
      const mostParts =
        Math.floor(
          parts * (limit.mostPercent / (100 - limit.mostPercent)) * ((1 - share) / share) * 100,
        ) / 100
      faults.push({
        kind: 'limit',
        productId,
        says: `${product.name}: ${tenth(share * 100)} % of the mix, at most ${limit.mostPercent} %.`,
        mostParts: limit.mostPercent >= 100 || sum === parts ? undefined : mostParts,
      })
    }
    if (limit.into && base && base.id !== productId && !limit.into.includes(base.kind))
      faults.push({
        kind: 'limit',
        productId,
        says: `${product.name} goes into ${limit.into.join(', ')}, not into a ${base.kind}.`,
      })
    return faults
  })
}
const tenth = (value: number): number => Math.round(value * 10) / 10

/** What a dose takes from the shelf: the product itself, or the parts of a house mix, each in its own unit. Water is left out. */
export function partsOf(
  product: Product,
  dose: Amount,
  products: readonly Product[],
): { productId: string; amount: number; unit: Unit }[] {
  if (!product.recipe) return [{ productId: product.id, ...dose }]
  return scaleRecipe(product.recipe, products, dose)
    .lines.filter((line) => line.productId !== WATER)
    .map((line) => {
      const part = products.find((one) => one.id === line.productId)
      const unit = part ? unitOf(part) : line.grams === undefined ? 'mL' : 'g'
      // Without a weighed spoon a gram is taken for a millilitre: near enough to count stock, never to dose by.
      return {
        productId: line.productId,
        unit,
        amount: (unit === 'g' ? (line.grams ?? line.mL) : (line.mL ?? line.grams))!,
      }
    })
}
