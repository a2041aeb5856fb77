import { AHA_REVIEW, exposureIndex, freeAcid, isAcidName, isOutsideAhaReview } from '../chemistry'
import type { Product } from '../catalog/model'
import type { Step } from '../protocol/model'
import type { Property } from '../protocol/words'
import { acidPercentOf } from './acid'
import { actingMinutes, type StepPart } from './parts'

/** Free acid in percent where it may be computed; undefined for other products and vehicles. */
export function freeAcidOf(product: Product | undefined): number | undefined {
  if (!product) return undefined
  const parts = product.actives.flatMap((active) =>
    isAcidName(active.name) ? [{ name: active.name, percent: active.percent }] : [],
  )
  if (parts.length === 0) return undefined
  const free = freeAcid(parts, product.pH, product.vehicle)
  return free.ok ? free.percent : undefined
}

/** Nothing takes it off again. */
export const isLeaveOn = (step: Pick<Step, 'segments'>): boolean =>
  !step.segments.some((segment) => segment.kind === 'remove')

/** Outside the published review for professional use. */
export const isOutsideReview = (product: Product | undefined): boolean =>
  product !== undefined && isOutsideAhaReview(product)

/** What counts one point on its zones, one and a half, or half (rule C15; house convention). */
const POINTS: readonly (readonly [Property, number])[] = [
  ['blade', 1.5],
  ['ultrasonic-blade', 0.5],
  ['scrub', 1],
  ['enzyme', 1],
  ['gommage', 1],
  ['mechanical', 1.5],
  ['suction', 1],
  ['retinoid', 0.5],
]

/** Exfoliation points of one part of a step on each of its zones (rule C15): of all that it is, the most. */
export function exfoliationPoints(part: StepPart, step: Step): number {
  const { properties } = part
  const isAcid = properties.has('acid') && properties.has('exfoliating')
  const known = POINTS.filter(([property]) => properties.has(property))
  const needled = properties.has('needling') ? needlingPoints(step) : 0
  // A retinoid does not say what else exfoliates.
  const isTold = isAcid || needled > 0 || known.some(([property]) => property !== 'retinoid')
  return Math.max(
    properties.has('exfoliating') && !isTold ? 1 : 0,
    needled,
    ...known.map(([, points]) => points),
    isAcid ? acidPoints(part, step) : 0,
  )
}

/** Up to this depth needles stay in the outer layer. */
const SHALLOW_MM = 0.25

/** Two points where the depth is written and shallow; three deeper, or where nobody has written it. */
function needlingPoints({ passes }: Step): number {
  const setting = passes?.setting
  return setting?.unit === 'mm' && setting.value <= SHALLOW_MM ? 2 : 3
}

function acidPoints(part: StepPart, step: Step): number {
  if (step.phase === 'first-cleanse' || step.phase === 'second-cleanse') return 0.5
  if (part.isLeftOn) return 1
  const index = exposureIndex(
    acidPercentOf(part.product) ?? AHA_REVIEW.professional.percent,
    actingMinutes(part),
  )
  if (index < 30) return 1
  return index <= 90 ? 2 : 3
}

/** Exfoliation points of a whole visit, on the zone that gets most. */
export const visitPoints = (
  steps: readonly { readonly step: Pick<Step, 'zones'>; readonly points: number }[],
): number => {
  const zones = new Set(steps.flatMap(({ step }) => step.zones))
  return Math.max(
    0,
    ...[...zones].map((zone) =>
      steps
        .filter(({ step }) => step.zones.includes(zone))
        .reduce((sum, { points }) => sum + points, 0),
    ),
  )
}
