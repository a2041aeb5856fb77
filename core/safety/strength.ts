import { AHA_REVIEW, exposureIndex, freeAcid, isAcidName, isOutsideAhaReview } from '../chemistry'
import type { Product } from '../catalog/model'
import { HIGHEST_RUNG, rungHolding, RUNGS } from '../climb/rungs'
import type { Segment, Step } from '../protocol/model'
import type { Property } from '../protocol/words'
import { toMinutes } from '../quantity/time'

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

/** The segments whose minutes a lever governs: the dwell where there is one, else the work itself. */
export function leverSegments(step: Step): Segment[] {
  const dwells = step.segments.filter((segment) => segment.kind === 'dwell')
  return dwells.length > 0 ? dwells : step.segments.filter((segment) => segment.kind === 'apply')
}

const leverMinutes = (step: Step): number =>
  toMinutes(leverSegments(step).reduce((sum, segment) => sum + segment.usualS, 0))

/** Nothing takes it off again. */
export const isLeaveOn = (step: Pick<Step, 'segments'>): boolean =>
  !step.segments.some((segment) => segment.kind === 'remove')

/**
 * The rung a step really stands on, from its product and minutes; for levers without such a table the rung it names.
 * Acid: strength and minutes are capped separately, so the higher of the two counts; without a free-acid figure the named rung is the strength.
 */
export function rungOf(step: Step, product: Product | undefined): number | undefined {
  if (!step.lever) return undefined
  const table = RUNGS[step.lever.lever]
  const byMinutes =
    table.minutes && !(step.lever.lever === 'acid' && isLeaveOn(step))
      ? rungHolding(table.minutes, leverMinutes(step))
      : 1
  if (step.lever.lever === 'acid') return Math.max(byMinutes, strengthRung(step, product))
  return table.minutes ? byMinutes : step.lever.rung
}

export function strengthRung(step: Step, product: Product | undefined): number {
  const free = freeAcidOf(product)
  if (free === undefined) return step.lever?.rung ?? HIGHEST_RUNG
  return rungHolding(RUNGS.acid.freeAcid!, free)
}

/** Outside the published review for professional use. */
export const isOutsideReview = (product: Product | undefined): boolean =>
  product !== undefined && isOutsideAhaReview(product)

/** What counts one point on its zones, one and a half, or half (rule C15; house convention). */
const POINTS: readonly (readonly [Property, number])[] = [
  ['needling', 3],
  ['blade', 1.5],
  ['ultrasonic-blade', 0.5],
  ['scrub', 1],
  ['enzyme', 1],
  ['gommage', 1],
  ['mechanical', 1.5],
  ['suction', 1],
  ['retinoid', 0.5],
]

/** Exfoliation points of a step on each of its zones (rule C15). */
export function exfoliationPoints(
  step: Step,
  product: Product | undefined,
  properties: ReadonlySet<Property>,
): number {
  if (properties.has('acid') && properties.has('exfoliating')) return acidPoints(step, product)
  const known = POINTS.find(([property]) => properties.has(property))
  if (known) return known[1]
  return properties.has('exfoliating') ? 1 : 0
}

function acidPoints(step: Step, product: Product | undefined): number {
  if (step.phase === 'first-cleanse' || step.phase === 'second-cleanse') return 0.5
  if (isLeaveOn(step)) return 1
  const index = exposureIndex(
    freeAcidOf(product) ?? AHA_REVIEW.professional.percent,
    leverMinutes(step),
  )
  if (index < 30) return 1
  return index <= 90 ? 2 : 3
}
