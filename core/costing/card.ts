import { placeKeeping, makespanOf, segmentsOf, withHygiene } from '../adapt/lay'
import type { Shelf, Supply } from '../catalog/model'
import { composedShelf } from '../mixing/house-mix'
import { trayFor } from '../mixing/tray'
import type { Step } from '../protocol/model'
import { unrolled } from '../protocol/unroll'
import { costOf, type VisitCost } from './cost'
import type { Rates } from './model'
import { addOnOf, type AddOn } from './price'

/** What an enhancement is known by wherever it is priced: its product, or else its step. */
export const addOnRef = (step: Pick<Step, 'id' | 'product'>): string =>
  step.product?.productId ?? step.id

export interface CardCost {
  readonly cost: VisitCost
  readonly totalS: number
  readonly addOns: readonly (AddOn & { readonly ref: string; readonly title: string })[]
}
/** What a card costs to perform as it is written, before any client: and what hangs in its gaps, each as an enhancement of its own. */
export function costOfCard(
  steps: readonly Step[],
  raw: Shelf,
  supplies: readonly Supply[],
  rates: Rates,
): CardCost {
  const shelf = composedShelf(raw)
  const laid = placeKeeping(withHygiene(steps.map(unrolled)))
  const tray = trayFor(laid.steps, shelf).map(({ supply, ...item }) => ({
    ...item,
    ...(supply ? { supply: { ...supply } } : {}),
  }))
  const totalS = makespanOf(laid.placing) ?? 0
  const cost = costOf({
    plan: { steps: [...laid.steps], segments: segmentsOf(laid.steps, laid.placing), tray, totalS },
    shelf,
    supplies,
    rates,
  })
  const addOns = laid.steps
    .filter((step) => step.floating)
    .map((step) => ({
      ref: addOnRef(step),
      title: step.title,
      ...addOnOf(cost.steps.find((other) => other.stepId === step.id)?.goodsMinor ?? 0, 0, rates),
    }))
  return { cost, totalS, addOns }
}
