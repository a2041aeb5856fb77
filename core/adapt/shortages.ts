import { singlesOf } from '../strength'
import { unitOf, usableOn } from '../catalog/batches'
import type { Product, Shelf } from '../catalog/model'
import { productById, useOf } from '../catalog/shelf'
import type { Unit } from '../catalog/words'
import { doseFor } from '../mixing/dose'
import { partsOf } from '../mixing/recipe'
import type { Step } from '../protocol/model'
import { NO_PREP } from './no-prep'
import type { CompileInput } from './input'
import { wantedSteps } from './rules-stage'

/** Something a visit wants and the shelf cannot give. */
export interface Shortage {
  readonly stepId: string
  readonly stepTitle: string
  /** What is short: the step's product, or a part of its house mix. */
  readonly productId: string
  readonly name: string
  readonly mixId?: string
  readonly why: 'out' | 'too little' | 'past its time' | 'not on the shelf'
  readonly needed: number
  readonly left: number
  readonly unit: Unit
}

/**
 * What is short for the ladder as wanted, before anything stands in: products that are out, past their time, or of which less is left
 * than the whole visit takes; for a house mix the parts are asked. Each thing once, at the first step that cannot have it.
 */
export function shortages(given: CompileInput): Shortage[] {
  const { steps, input } = wantedSteps({
    ...given,
    prep: { ...NO_PREP, ...given.prep, partStandIns: {} },
  })
  const used = new Map<string, number>()
  const found = new Map<string, Shortage>()
  for (const step of steps) {
    for (const need of needsOf(step, input.shelf, given.prep?.size)) {
      const before = used.get(need.productId) ?? 0
      used.set(need.productId, before + need.amount)
      const product = productById(input.shelf, need.productId)
      const left = product?.stock ?? 0
      const why = whyShort(product, left, before + need.amount, input.date)
      if (!why || found.has(need.productId)) continue
      found.set(need.productId, {
        stepId: step.id,
        stepTitle: step.title,
        productId: need.productId,
        name: product?.name ?? need.productId,
        ...(need.mixId ? { mixId: need.mixId } : {}),
        why,
        needed: tenth(before + need.amount),
        left,
        unit: need.unit,
      })
    }
  }
  return [...found.values()]
}
export const tenth = (amount: number): number => Math.round(amount * 10) / 10

export interface Need {
  readonly productId: string
  readonly amount: number
  readonly unit: Unit
  readonly mixId?: string
}
export function needsOf(
  step: Step,
  shelf: Shelf,
  size: NonNullable<CompileInput['prep']>['size'] = 'M',
): Need[] {
  const singles = singlesOf(step)
  if (singles.length > 1) return singles.flatMap((single) => needsOf(single, shelf, size))
  const product = productById(shelf, step.product?.productId)
  if (!product)
    return step.product ? [{ productId: step.product.productId, amount: 0, unit: 'g' }] : []
  const dose = doseFor(product, useOf(product, step.product?.useId), step.zones, step.share, size)
  if (!dose) return [{ productId: product.id, amount: 0, unit: unitOf(product) }]
  return partsOf(product, { amount: dose.amount, unit: dose.unit }, shelf.products).map((part) => ({
    ...part,
    ...(product.recipe ? { mixId: product.id } : {}),
  }))
}

function whyShort(
  product: Product | undefined,
  left: number,
  needed: number,
  date: string,
): Shortage['why'] | undefined {
  if (!product) return 'not on the shelf'
  if (left <= 0) return 'out'
  if (!usableOn(product, product.afterOpeningMonths, date)) return 'past its time'
  return needed > left + 1e-9 ? 'too little' : undefined
}
