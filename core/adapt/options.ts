import type { Step } from '../protocol/model'
import type { Constraint } from '../safety/rule'
import { distinctWhy, type Change, type Why } from './change'
import { LEVER_KIND, onRung, picksOf } from '../strength'
import { candidates } from './picks'
import { fitStep } from './fit-step'
import { outOfStock, rungSentence } from './fit-words'
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
  for (const candidate of candidates(step, context)) {
    const fitted = fitStep(candidate, step, context)
    if (!fitted.ok) {
      blockedBy.push(...fitted.blockedBy)
      continue
    }
    const option = withoutParts(fitted.option, candidate, step, blockedBy)
    options.push(option, ...lowerRungs(option, step, context))
  }
  const { product } = context.read(step)
  const isOut = product !== undefined && product.stock <= 0
  if (options.length === 0) options.push(...asLastResort(step, context, isOut))
  if (!step.essential) {
    const why = [...distinctWhy(blockedBy), ...(isOut ? [outOfStock(product)] : [])]
    options.push({ step: undefined, changes: [droppedChange(step, why)] })
  }
  return { options, blockedBy }
}

/** A step of several products that goes on without one of them says so, and by which rules. */
function withoutParts(
  option: Option & { readonly step: Step },
  candidate: Step,
  written: Step,
  blockedBy: readonly Constraint[],
): Option & { readonly step: Step } {
  const [before, now] = [picksOf(written), picksOf(candidate)]
  if (now.length === before.length) return option
  const gone = before.filter((pick) => !now.some((kept) => kept?.productId === pick?.productId))
  const change = {
    kind: 'replaced' as const,
    stepId: written.id,
    what: `${written.title} without ${gone.length} of its ${before.length} products`,
    why: distinctWhy(blockedBy),
  }
  return { ...option, changes: [change, ...option.changes] }
}

/**
 * Nothing better is on the shelf: what should rather be replaced may stay, with a caution. What is out goes where nothing may stand in; what
 * every visit needs stays, and the tray says that it is short. What protects from the sun may be any such thing: nothing is worse.
 */
function asLastResort(step: Step, context: OptionContext, isOut: boolean): Option[] {
  const lenient: OptionContext = {
    ...context,
    constraintsFor: (candidate) =>
      context.constraintsFor(candidate).filter((constraint) => !constraint.soft),
  }
  const others = context.read(step).properties.has('sun-filter') ? candidates(step, context) : []
  const asWritten = step.essential || !isOut ? [step] : []
  return [...asWritten, ...others]
    .map((candidate) => fitStep(candidate, step, lenient))
    .flatMap((fitted) => (fitted.ok ? [fitted.option] : []))
    .slice(0, 1)
}

/** The same on lower rungs of the lever that the skin answers most: less of it may go beside the rest. */
function lowerRungs(
  option: Option & { readonly step: Step },
  written: Step,
  context: OptionContext,
): Option[] {
  const subject = context.read(option.step)
  const pulled = subject.levers.find(({ lever }) => LEVER_KIND[lever] === 'answering')
  if (!pulled) return []
  const { lever, rung } = pulled
  return Array.from({ length: rung - 1 }, (_, below) => rung - 1 - below).flatMap((lower) => {
    const step = onRung(subject, lever, lower)
    if (!step) return []
    const change = {
      kind: 'rung' as const,
      stepId: written.id,
      what: rungSentence(option.step, step, lever, rung, lower),
      why: [],
    }
    return [{ step, changes: [...option.changes, change] }]
  })
}

const droppedChange = (step: Step, why: readonly Why[]): Change => ({
  kind: 'dropped',
  stepId: step.id,
  what: `${step.title} left out`,
  why,
})
