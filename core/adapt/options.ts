import type { Step } from '../protocol/model'
import type { Constraint } from '../safety/rule'
import { distinctWhy, type Change } from './change'
import { onRung } from './levers'
import { candidates } from './picks'
import { fitStep } from './fit-step'
import { rungSentence } from './fit-words'
import type { Option, OptionContext } from './option'

/**
 * Every permitted way to do a step, best first: as written; the same product on lower rungs; the slot's other picks; other
 * products of the same kind on the shelf; left out. Empty only when the step is essential and nothing is permitted.
 */
export function optionsFor(
  step: Step,
  context: OptionContext,
): { options: Option[]; blockedBy: readonly Constraint[] } {
  const options: Option[] = []
  const blockedBy: Constraint[] = []
  for (const candidate of candidates(step, context.shelf)) {
    const fitted = fitStep(candidate, step, context)
    if (!fitted.ok) {
      blockedBy.push(...fitted.blockedBy)
      continue
    }
    options.push(fitted.option, ...lowerRungs(fitted.option, step, context))
  }
  if (options.length === 0) options.push(...asLastResort(step, context))
  if (!step.essential) options.push({ step: undefined, changes: [droppedChange(step, blockedBy)] })
  return { options, blockedBy }
}

/** Nothing better is on the shelf: what should rather be replaced may stay, with a caution. */
function asLastResort(step: Step, context: OptionContext): Option[] {
  const lenient: OptionContext = {
    ...context,
    constraintsFor: (candidate) =>
      context.constraintsFor(candidate).filter((constraint) => !constraint.soft),
  }
  const fitted = fitStep(step, step, lenient)
  return fitted.ok ? [fitted.option] : []
}

function lowerRungs(
  option: Option & { readonly step: Step },
  written: Step,
  context: OptionContext,
): Option[] {
  const { product } = context.read(option.step)
  const rung = option.step.lever?.rung ?? 1
  return Array.from({ length: Math.max(0, rung - 1) }, (_, below) => rung - 1 - below).flatMap(
    (lower) => {
      const step = onRung(option.step, product, lower)
      if (!step) return []
      return [
        {
          step,
          changes: [
            ...option.changes,
            {
              kind: 'rung' as const,
              stepId: written.id,
              what: rungSentence(option.step, step, rung, lower),
              why: [],
            },
          ],
        },
      ]
    },
  )
}

function droppedChange(step: Step, blockedBy: readonly Constraint[]): Change {
  return {
    kind: 'dropped',
    stepId: step.id,
    what: `${step.title} left out`,
    why: distinctWhy(blockedBy),
  }
}
