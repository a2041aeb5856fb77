import { dequal } from 'dequal'
import { plain, stepFaults } from './audit'
import { compile } from './compile'
import type { CompileInput } from './input'
import type { FittedPlan } from './plan'
import { hasLadder } from './status'

type Laid = Pick<FittedPlan, 'steps' | 'segments'>
/** The same ladder at the same times. */
export const isSameLadder = (a: Laid, b: Laid): boolean =>
  dequal(plain([a.steps, a.segments]), plain([b.steps, b.segments]))

/** A plan that a tablet fitted before its visit began, as it is kept. */
export interface ToldFit {
  readonly plan: FittedPlan
  /** In sentences, how what is known here would have it otherwise; none where it is the same ladder: then the words are our own. */
  readonly faults: readonly string[]
}

/**
 * Reads a plan that a tablet fitted without a network. The fit is the same everywhere for what it is made from, so that another ladder means that
 * something else is known here. What was performed stays what it is: it is kept, with what differs.
 */
export function judgeFit(told: FittedPlan, input: CompileInput): ToldFit {
  const own = compile(input)
  if (isSameLadder(told, own)) return { plan: own, faults: [] }
  if (!hasLadder(own)) return { plan: told, faults: own.problems }
  const faults = stepFaults(plain(told.steps), own.steps)
  return { plan: told, faults: faults.length > 0 ? faults : ['Its steps stand at other times'] }
}
