import type { Product, Shelf } from '../catalog/model'
import { productById, useOf } from '../catalog/shelf'
import type { Segment, Step } from '../protocol/model'
import type { FaceSize } from '../skin/areas'
import { doseFor } from './dose'
import {
  mixActives,
  mixFaults,
  scaleRecipe,
  inHandOf,
  type Amount,
  type MixActive,
  type MixFault,
  type PartLine,
} from './recipe'
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
  return steps.flatMap((step) => {
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
  const { recipe, mixing } = product
  const dose = { amount, unit }
  const scaled = recipe && scaleRecipe(recipe, shelf.products, dose)
  const celsius = mixing?.sets || mixing?.waterC ? (chosenC ?? usualC(product)) : undefined
  const times = celsius === undefined ? undefined : settingAt(mixing?.sets, celsius)
  const needS =
    TURN_S +
    step.segments
      .filter((segment) => segment.kind === 'apply')
      .reduce((sum, segment) => sum + segment.usualS, 0)
  return {
    stepId: step.id,
    title: step.title,
    product,
    dose,
    celsius,
    times,
    needS,
    inTime: times === undefined || needS <= times.workingS,
    parts: scaled?.lines ?? [
      {
        productId: product.id,
        name: product.name,
        share: 1,
        ...(unit === 'g' ? { grams: amount } : { mL: amount }),
        inHand: inHandOf(product, dose),
      },
    ],
    waterMl:
      mixing?.waterMlPerG !== undefined && unit === 'g'
        ? Math.round(amount * mixing.waterMlPerG * 10) / 10
        : undefined,
    actives: recipe ? mixActives(recipe, shelf.products) : [],
    faults: scaled?.faults ?? (recipe ? mixFaults(recipe, shelf.products) : []),
  }
}

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
