import { unitOf } from '../catalog/batches'
import type { Product, Recipe } from '../catalog/model'
import { WATER, type Unit } from '../catalog/words'
import { apportion } from '../quantity/apportion'
import { inMeasures, measureInWords } from '../quantity/measure'
import type { SalonMeasure } from '../quantity/model'
import { quantity } from '../quantity/quantity'
import { massAsVolume, volumeAsMass } from '../quantity/spoon'
import { mixFaults, type MixFault } from './mix-faults'
import { partName, spoonOf } from './shares'

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

export interface Scaled {
  readonly lines: readonly PartLine[]
  readonly total: Amount
  readonly grams: number | undefined
  readonly mL: number | undefined
  readonly faults: readonly MixFault[]
}

const TEASPOON: SalonMeasure = { name: 'teaspoon', unit: 'mL', per: quantity(1, 'tsp-us').base }
const hundredths = (amount: number): number => Math.round(amount * 100) / 100

/** An amount in the product's own measure; a weighed spoon where it has none; undefined where nothing counts it. */
export function inHandOf(
  product: Pick<Product, 'measure' | 'gramsPerTeaspoon'> | undefined,
  amount: Amount,
): InHand | undefined {
  const measure = measureFor(product, amount.unit)
  return measure && counted(amount, measure)
}

function measureFor(
  product: Pick<Product, 'measure' | 'gramsPerTeaspoon'> | undefined,
  unit: Unit,
): SalonMeasure | undefined {
  if (product?.measure?.unit === unit) return product.measure
  if (unit === 'mL' || product?.gramsPerTeaspoon === undefined) return undefined
  return { name: 'teaspoon', unit: 'g', per: product.gramsPerTeaspoon }
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
  const mix = mixOf(recipe, products)
  const factor = mix.unit === total.unit ? 1 : perOwnUnit(mix)
  const ownTotal = factor === undefined ? total.amount : total.amount / factor
  const cuts = apportion(
    Math.round(ownTotal * 100),
    mix.parts.map((part) => part.parts),
  )
  const lines = mix.parts.map((part, at) => lineOf(part, cuts[at]! / 100, mix))
  const isConverted = factor !== undefined
  return {
    lines,
    total: {
      amount: hundredths(ownTotal * (factor ?? 1)),
      unit: isConverted ? total.unit : mix.unit,
    },
    grams: sumOfKnown(lines.map((line) => line.grams)),
    mL: sumOfKnown(lines.map((line) => line.mL)),
    faults: [...(isConverted ? [] : [unweighed(mix, total)]), ...mixFaults(recipe, products)],
  }
}

interface MixPart {
  readonly productId: string
  readonly product: Product | undefined
  readonly parts: number
}

/** A recipe with its products, and what it counts in. */
interface Mix {
  readonly parts: readonly MixPart[]
  readonly sum: number
  readonly unit: Unit
}

function mixOf({ by, parts }: Pick<Recipe, 'by' | 'parts'>, products: readonly Product[]): Mix {
  return {
    parts: parts.map((part) => ({
      ...part,
      product: products.find(({ id }) => id === part.productId),
    })),
    sum: parts.reduce((sum, part) => sum + part.parts, 0),
    unit: by === 'mass' ? 'g' : 'mL',
  }
}

function lineOf({ productId, product, parts }: MixPart, amount: number, mix: Mix): PartLine {
  const spoon = spoonOf(productId, product)
  const grams = mix.unit === 'g' ? amount : volumeAsMass(amount, spoon)
  const mL = mix.unit === 'g' ? massAsVolume(amount, spoon) : amount
  const own =
    product && inHandOf(product, asStocked(product, grams, mL, { amount, unit: mix.unit }))
  const bySpoon = mL === undefined ? undefined : counted({ amount: mL, unit: 'mL' }, TEASPOON)
  return {
    productId,
    name: partName(productId, product),
    share: parts / mix.sum,
    grams: grams === undefined ? undefined : hundredths(grams),
    mL: mL === undefined ? undefined : hundredths(mL),
    inHand: own ?? bySpoon,
  }
}

/** An amount as its product is counted: grams where it is weighed and they are known, else millilitres. */
function asStocked(
  product: Product,
  grams: number | undefined,
  mL: number | undefined,
  counted: Amount,
): Amount {
  if (unitOf(product) === 'g' && grams !== undefined) return { amount: grams, unit: 'g' }
  return mL === undefined ? counted : { amount: mL, unit: 'mL' }
}

/** The sum to a hundredth, where every value is known. */
function sumOfKnown(values: readonly (number | undefined)[]): number | undefined {
  const known = values.filter((value) => value !== undefined)
  if (known.length < values.length) return undefined
  return hundredths(known.reduce((sum, value) => sum + value, 0))
}

function unweighed(mix: Mix, total: Amount): MixFault {
  const names = mix.parts
    .filter((part) => spoonOf(part.productId, part.product) === undefined)
    .map((part) => partName(part.productId, part.product))
    .join(', ')
  const says = `No weight per teaspoon is known of ${names}: counted in ${mix.unit} instead of ${total.unit}.`
  return { kind: 'weigh', productId: '', says }
}

/** How much of the other unit one unit of the mix is; undefined where a part cannot be told. */
function perOwnUnit({ parts, sum, unit }: Mix): number | undefined {
  const convert = unit === 'g' ? massAsVolume : volumeAsMass
  let all = 0
  for (const part of parts) {
    const other = convert(part.parts / sum, spoonOf(part.productId, part.product))
    if (other === undefined) return undefined
    all += other
  }
  return all
}

/** What a dose takes from the shelf: the product itself, or the parts of a house mix, each in its own unit. Water is left out. */
export function partsOf(
  product: Product,
  dose: Amount,
  products: readonly Product[],
): { productId: string; amount: number; unit: Unit }[] {
  if (!product.recipe) return [{ productId: product.id, ...dose }]
  return scaleRecipe(product.recipe, products, dose)
    .lines.filter((line) => line.productId !== WATER)
    .map(({ productId, grams, mL }) => {
      const part = products.find(({ id }) => id === productId)
      const unit = part ? unitOf(part) : unitKnown(grams)
      // Without a weighed spoon a gram is taken for a millilitre: near enough to count stock, never to dose by.
      const amount = unit === 'g' ? (grams ?? mL) : (mL ?? grams)
      return { productId, unit, amount: amount! }
    })
}

const unitKnown = (grams: number | undefined): Unit => (grams === undefined ? 'mL' : 'g')
