import { singlesOf } from '../strength'
import type { Product, Shelf } from '../catalog/model'
import { productById, useOf } from '../catalog/shelf'
import type { Segment, Step } from '../protocol/model'
import type { FaceSize } from '../skin/areas'
import { doseFor } from './dose'
import { mixActives, type MixActive } from './shares'
import { scaleRecipe, inHandOf, type Amount, type PartLine } from './recipe'
import type { MixFault } from './mix-faults'
import { settingAt, type SettingTimes } from './setting'

/** How one bowl of a visit is mixed. */
export interface MixCard {
  readonly stepId: string
  readonly title: string
  readonly product: Product
  readonly dose: Amount
  /** What goes in, water apart. */
  readonly parts: readonly PartLine[]
  readonly waterMl: number | undefined
  /** Water temperature this card is for, °C, where it matters. */
  readonly celsius: number | undefined
  readonly times: SettingTimes | undefined
  /** Seconds the hands need from the end of mixing until it lies on the skin. */
  readonly needS: number
  /** It can be on before it sets. */
  readonly inTime: boolean
  readonly actives: readonly MixActive[]
  readonly faults: readonly MixFault[]
}

/** Hands turn from the bowl to the face: what lies between the end of mixing and the first stroke (house figure). */
const TURN_S = 15

/** The bowls of a ladder in its order, each scaled to its dose, at the water temperature chosen for its step or the usual one of its maker. */
export function mixCards(
  steps: readonly Step[],
  shelf: Shelf,
  waterC: Readonly<Record<string, number>> = {},
  size: FaceSize = 'M',
): MixCard[] {
  return steps.flatMap(singlesOf).flatMap((step) => {
    const product = productById(shelf, step.product?.productId)
    if (
      !product ||
      !(
        product.recipe ||
        product.mixing ||
        step.segments.some((segment) => segment.kind === 'prepare')
      )
    )
      return []
    const dose = doseFor(product, useOf(product, step.product?.useId), step.zones, step.share, size)
    return dose ? [cardOf(step, product, dose, shelf, waterC[step.id])] : []
  })
}

function cardOf(
  step: Step,
  product: Product,
  { amount, unit }: Amount,
  shelf: Shelf,
  chosenC: number | undefined,
): MixCard {
  const dose = { amount, unit }
  const celsius = waterMatters(product) ? (chosenC ?? usualC(product)) : undefined
  const times = celsius === undefined ? undefined : settingAt(product.mixing?.sets, celsius)
  const needS = TURN_S + applySeconds(step)
  return {
    stepId: step.id,
    title: step.title,
    product,
    dose,
    celsius,
    times,
    needS,
    inTime: times === undefined || needS <= times.workingS,
    waterMl: waterFor(product, dose),
    ...contentsOf(product, dose, shelf),
  }
}

const waterMatters = ({ mixing }: Product): boolean =>
  mixing?.sets !== undefined || mixing?.waterC !== undefined

const applySeconds = (step: Step): number =>
  step.segments
    .filter((segment) => segment.kind === 'apply')
    .reduce((sum, segment) => sum + segment.usualS, 0)

/** Millilitres of water, to a tenth, where its maker gives them by the gram. */
function waterFor({ mixing }: Product, { amount, unit }: Amount): number | undefined {
  if (mixing?.waterMlPerG === undefined || unit !== 'g') return undefined
  return Math.round(amount * mixing.waterMlPerG * 10) / 10
}

function contentsOf(
  product: Product,
  dose: Amount,
  shelf: Shelf,
): Pick<MixCard, 'parts' | 'actives' | 'faults'> {
  const { recipe } = product
  if (!recipe) return { parts: [wholeOf(product, dose)], actives: [], faults: [] }
  const { lines, faults } = scaleRecipe(recipe, shelf.products, dose)
  return { parts: lines, actives: mixActives(recipe, shelf.products), faults }
}

const wholeOf = (product: Product, dose: Amount): PartLine => ({
  productId: product.id,
  name: product.name,
  share: 1,
  ...(dose.unit === 'g' ? { grams: dose.amount } : { mL: dose.amount }),
  inHand: inHandOf(product, dose),
})

/** The temperature its maker means, °C. */
export const usualC = ({ mixing }: Pick<Product, 'mixing'>): number =>
  mixing?.waterC?.usual ?? (mixing?.sets?.by === 'alginate' ? mixing.sets.at.celsius : 20)

/**
 * The ladder with the times its mixes have: the working time of the chosen water (at 26 °C an alginate leaves the hands less than its card
 * says), and the rest a mix needs before it is used.
 */
export function asMixed(
  steps: readonly Step[],
  shelf: Shelf,
  waterC: Readonly<Record<string, number>>,
): Step[] {
  return steps.map((step) => {
    const product = productById(shelf, step.product?.productId)
    const times = product?.mixing?.sets
      ? settingAt(product.mixing.sets, waterC[step.id] ?? usualC(product))
      : undefined
    const restS = product?.mixing?.restS
    if (!times && !restS) return step
    const mixed = (segment: Segment): Segment => ({
      ...segment,
      ...(times && segment.workingS !== undefined ? { workingS: times.workingS } : {}),
      ...(restS ? { restS, potLifeS: Math.max(restS, segment.potLifeS ?? 0) } : {}),
    })
    return {
      ...step,
      segments: step.segments.map((segment) =>
        segment.kind === 'prepare' ? mixed(segment) : segment,
      ),
    }
  })
}
