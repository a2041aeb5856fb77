import type { Product } from '../catalog/model'
import { limitAt, RUNGS } from '../climb/rungs'
import type { Segment, Step } from '../protocol/model'
import { isLeaveOn, leverSegments, rungOf, strengthRung } from '../safety/strength'

/**
 * The step with its governed minutes cut to at most `maxMinutes`; undefined when that falls below what the step needs at least.
 */
export function capMinutes(step: Step, maxMinutes: number): Step | undefined {
  const governed = leverSegments(step)
  const total = governed.reduce((sum, segment) => sum + segment.usualS, 0)
  const allowed = Math.floor(maxMinutes * 60)
  if (total <= allowed)
    return {
      ...step,
      segments: step.segments.map((segment) =>
        governed.includes(segment)
          ? { ...segment, maxS: Math.min(segment.maxS, Math.max(segment.usualS, allowed)) }
          : segment,
      ),
    }
  if (governed.reduce((sum, segment) => sum + segment.minS, 0) > allowed || allowed === 0)
    return undefined
  const cut = (segment: Segment): Segment => {
    const usualS = Math.max(segment.minS, Math.floor((segment.usualS * allowed) / total))
    return { ...segment, usualS, maxS: Math.max(usualS, Math.min(segment.maxS, allowed)) }
  }
  return {
    ...step,
    segments: step.segments.map((segment) => (governed.includes(segment) ? cut(segment) : segment)),
  }
}

/** The step on at most `rung`, or undefined where it cannot be (too strong a product, too few minutes left). */
export function onRung(step: Step, product: Product | undefined, rung: number): Step | undefined {
  if (!step.lever || rung < 1) return undefined
  const now = rungOf(step, product) ?? 1
  const { lever } = step.lever
  if (lever === 'acid' && strengthRung(step, product) > rung) return undefined
  const table = RUNGS[lever]
  const most =
    table.minutes && !(lever === 'acid' && isLeaveOn(step))
      ? limitAt(table.minutes, rung)
      : undefined
  const capped = most === undefined ? step : capMinutes(step, most)
  return (
    capped && {
      ...capped,
      lever: { lever, rung: Math.min(now, rung), writtenRung: step.lever.writtenRung ?? now },
    }
  )
}
