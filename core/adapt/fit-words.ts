import { LEVER_WORDS, type Property } from '../protocol/words'
import type { Step } from '../protocol/model'
import { toMinutes } from '../quantity/time'
import { touches, type Subject } from '../safety/subject'
import type { Constraint } from '../safety/rule'
import { distinctWhy, ownWhy, type Change } from './change'
import { leverSegments } from '../safety/strength'
import type { OptionContext } from './option'
import { blocks } from './blocking'

export const usual = (step: Step): number =>
  leverSegments(step).reduce((sum, segment) => sum + segment.usualS, 0)
export const mins = (step: Step): number => toMinutes(usual(step))

export function rungAllowed(constraint: Constraint, writtenRung: number): number {
  if (constraint.limit?.kind !== 'rung') return 5
  const below = constraint.limit.belowWritten
  return Math.max(1, Math.min(constraint.limit.max, below === undefined ? 5 : writtenRung - below))
}

export function rungSentence(from: Step, to: Step, now: number, then: number): string {
  const change = usual(to) < usual(from) ? `, ${mins(from)} → ${mins(to)} min` : ''
  return `${from.title}: ${from.lever ? LEVER_WORDS[from.lever.lever] : 'rung'} ${now} → ${then}${change}`
}

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
      why: [
        ownWhy(
          'S07',
          `${before.product.name} is out.`,
          'Order it, or choose what stands in on Prepare.',
        ),
      ],
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
