import { freeAcid, isAcidName, exposureIndex } from '../chemistry'
import type { Product } from '../catalog/model'
import { HIGHEST_RUNG, limitAt, rungHolding, RUNGS } from '../climb/rungs'
import type { Segment, Step } from '../protocol/model'
import { toMinutes } from '../quantity/time'
import type { Subject } from '../safety/subject'

/** Free acid in percent where it may be computed; undefined for other products and vehicles. */
export function freeAcidOf(product: Product | undefined): number | undefined {
  if (!product) return undefined
  const parts = product.actives.flatMap((active) => (isAcidName(active.name) ? [{ name: active.name, percent: active.percent }] : []))
  if (parts.length === 0) return undefined
  const free = freeAcid(parts, product.pH, product.vehicle)
  return free.ok ? free.percent : undefined
}

/** The segments whose minutes a lever governs: the dwell where there is one, else the work itself. */
export function leverSegments(step: Step): Segment[] {
  const dwells = step.segments.filter((segment) => segment.kind === 'dwell')
  return dwells.length > 0 ? dwells : step.segments.filter((segment) => segment.kind === 'apply')
}

const leverMinutes = (step: Step): number => toMinutes(leverSegments(step).reduce((sum, segment) => sum + segment.usualS, 0))

/**
 * The rung a step really stands on, from its product and minutes; for levers without such a table the rung it names.
 * Acid: strength and minutes are capped separately, so the higher of the two counts; without a free-acid figure the named rung is the strength.
 */
export function rungOf(step: Step, product: Product | undefined): number | undefined {
  if (!step.lever) return undefined
  const table = RUNGS[step.lever.lever]
  const byMinutes = table.minutes && !(step.lever.lever === 'acid' && isLeaveOn(step)) ? rungHolding(table.minutes, leverMinutes(step)) : 1
  if (step.lever.lever === 'acid') return Math.max(byMinutes, strengthRung(step, product))
  return table.minutes ? byMinutes : step.lever.rung
}

export function strengthRung(step: Step, product: Product | undefined): number {
  const free = freeAcidOf(product)
  if (free === undefined) return step.lever?.rung ?? HIGHEST_RUNG
  return rungHolding(RUNGS.acid.freeAcid!, free)
}

/** Nothing takes it off again. */
export const isLeaveOn = (step: Step): boolean => !step.segments.some((segment) => segment.kind === 'remove')

/**
 * The step with its governed minutes cut to at most `maxMinutes`; undefined when that falls below what the step needs at least.
 */
export function capMinutes(step: Step, maxMinutes: number): Step | undefined {
  const governed = leverSegments(step)
  const total = governed.reduce((sum, segment) => sum + segment.usualS, 0)
  const allowed = Math.floor(maxMinutes * 60)
  if (total <= allowed) return { ...step, segments: step.segments.map((segment) => (governed.includes(segment) ? { ...segment, maxS: Math.min(segment.maxS, Math.max(segment.usualS, allowed)) } : segment)) }
  if (governed.reduce((sum, segment) => sum + segment.minS, 0) > allowed || allowed === 0) return undefined
  const cut = (segment: Segment): Segment => {
    const usualS = Math.max(segment.minS, Math.floor((segment.usualS * allowed) / total))
    return { ...segment, usualS, maxS: Math.max(usualS, Math.min(segment.maxS, allowed)) }
  }
  return { ...step, segments: step.segments.map((segment) => (governed.includes(segment) ? cut(segment) : segment)) }
}

/** The step on at most `rung`, or undefined where it cannot be (too strong a product, too few minutes left). */
export function onRung(step: Step, product: Product | undefined, rung: number): Step | undefined {
  if (!step.lever || rung < 1) return undefined
  const now = rungOf(step, product) ?? 1
  const { lever } = step.lever
  if (lever === 'acid' && strengthRung(step, product) > rung) return undefined
  const table = RUNGS[lever]
  const most = table.minutes && !(lever === 'acid' && isLeaveOn(step)) ? limitAt(table.minutes, rung) : undefined
  const capped = most === undefined ? step : capMinutes(step, most)
  return capped && { ...capped, lever: { lever, rung: Math.min(now, rung), writtenRung: step.lever.writtenRung ?? now } }
}

/** Exfoliation points of a step on its zones (rule C15; house convention). */
export function exfoliationPoints(subject: Subject): number {
  const { properties, step, product } = subject
  if (properties.has('needling')) return 3
  if (properties.has('blade')) return 1.5
  if (properties.has('acid') && properties.has('exfoliating')) return acidPoints(step, product)
  if (['scrub', 'enzyme', 'gommage'].some((name) => properties.has(name as 'scrub')) && properties.has('exfoliating')) return 1
  if (properties.has('mechanical')) return 1.5
  if (properties.has('suction')) return 1
  if (properties.has('retinoid')) return 0.5
  return properties.has('exfoliating') ? 1 : 0
}

function acidPoints(step: Step, product: Product | undefined): number {
  if (step.phase === 'first-cleanse' || step.phase === 'second-cleanse') return 0.5
  if (isLeaveOn(step)) return 1
  const index = exposureIndex(freeAcidOf(product) ?? 30, leverMinutes(step))
  if (index < 30) return 1
  return index <= 90 ? 2 : 3
}
