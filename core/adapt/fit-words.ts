import { LEVER_WORDS, type LeverId, type Property } from '../protocol/words'
import type { Step } from '../protocol/model'
import { toMinutes } from '../quantity/time'
import type { Subject } from '../strength'
import { touches } from '../safety/touches'
import type { Constraint } from '../safety/rule'
import type { Product } from '../catalog/model'
import { distinctWhy, ownWhy, type Change, type Why } from './change'
import { governed } from '../strength/parts'
import { HIGHEST_RUNG } from '../strength'
import type { OptionContext } from './option'
import { blocks } from './blocking'

export const usual = (step: Step): number =>
  governed(step.segments).reduce((sum, segment) => sum + segment.usualS, 0)
export const mins = (step: Step): number => toMinutes(usual(step))

export function rungAllowed(constraint: Constraint, writtenRung: number): number {
  if (constraint.limit?.kind !== 'rung') return HIGHEST_RUNG
  const { max, belowWritten } = constraint.limit
  // None is a rung of its own: it takes the work off the skin.
  if (max === 0) return 0
  return Math.max(
    1,
    Math.min(max, belowWritten === undefined ? HIGHEST_RUNG : writtenRung - belowWritten),
  )
}

export function rungSentence(
  from: Step,
  to: Step,
  lever: LeverId,
  now: number,
  then: number,
): string {
  const change = usual(to) < usual(from) ? `, ${mins(from)} → ${mins(to)} min` : ''
  return `${from.title}: ${LEVER_WORDS[lever]} ${now} → ${then}${change}`
}

/** Why something else stands in, or nothing does. */
export const outOfStock = ({ name }: Product): Why =>
  ownWhy('S07', `${name} is out.`, 'Order it, or choose what stands in on Prepare.')

export function replacedChange(candidate: Step, written: Step, context: OptionContext): Change {
  const before = context.read(written)
  const blocking = context
    .constraintsFor(written)
    .filter(
      (constraint) =>
        (blocks(constraint) ||
          constraint.limit?.kind === 'rung' ||
          constraint.limit?.kind === 'dwell-minutes') &&
        touches(constraint, before),
    )
  const stops = blocking.filter(blocks)
  if (blocking.length === 0 && before.product && before.product.stock <= 0)
    return {
      kind: 'replaced',
      stepId: written.id,
      what: `${written.title} → ${candidate.title}`,
      why: [outOfStock(before.product)],
    }
  const why = distinctWhy(stops.length > 0 ? stops : blocking).map((why) => ({
    ...why,
    reason:
      why.reason +
      ingredientsBehind(
        stops.filter((constraint) => constraint.ruleId === why.ruleId),
        before,
      ),
  }))
  return {
    kind: 'replaced',
    stepId: written.id,
    what: `${written.title} → ${candidate.title}`,
    why,
  }
}

function ingredientsBehind(stops: readonly Constraint[], subject: Subject): string {
  const names = stops.flatMap((constraint) =>
    constraint.target.family ? (subject.inci.families.get(constraint.target.family) ?? []) : [],
  )
  return names.length > 0 ? ` Listed: ${[...new Set(names)].join(', ')}.` : ''
}

/** Wrapping, shining and blowing cannot leave a zone out. */
export const WHOLE: readonly Property[] = ['steam', 'led', 'aerosol', 'self-heating', 'film-peel']
