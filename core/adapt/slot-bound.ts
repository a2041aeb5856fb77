import type { Step } from '../protocol/model'
import { usualSeconds } from '../protocol/segments'
import {
  enhancementSecondsOf,
  mostOf,
  savedWithout,
  stepsAfter,
  worthAfter,
  worthOfAll,
  type Move,
  type SlotModel,
  type SlotStep,
} from './slot-model'
import { slackOf, WORTH_AT_LEAST } from './worth'

/** Seconds that can be saved in one step, and what each of them costs. */
interface Piece {
  readonly seconds: number
  readonly rate: number
}

/** Worth a set of moves may still have when it is this many seconds too long, with every other choice still free. */
export function boundOf(model: SlotModel, moves: readonly Move[], overS: number): number {
  const steps = stepsAfter(model, moves)
  const most = mostOf(model.problem, worthOfAll(model.problem, steps, moves))
  return overS <= 0 ? most : most - leastLoss(model, steps, moves, overS, true)
}

/**
 * The least worth that saving so many seconds costs: every second saved in a step saves at most one second of the visit,
 * the cheapest first (a fractional knapsack). Infinity where shortening alone cannot save them.
 */
export function leastLoss(
  model: SlotModel,
  steps: readonly Step[],
  moves: readonly Move[],
  overS: number,
  mayDrop: boolean,
): number {
  let leftS = overS
  let enhancementsLeftS = enhancementSecondsOf(model.problem)
  let loss = 0
  for (const { seconds, rate, hung } of piecesOf(model, steps, moves, mayDrop)) {
    const used = Math.min(leftS, seconds, hung ? enhancementsLeftS : Infinity)
    loss += used * rate
    leftS -= used
    if (hung) enhancementsLeftS -= used
    if (leftS <= 0) return loss
  }
  return mayDrop ? loss : Infinity
}

function piecesOf(
  model: SlotModel,
  steps: readonly Step[],
  moves: readonly Move[],
  mayDrop: boolean,
): (Piece & { readonly hung: boolean })[] {
  const pieces = steps.flatMap((step) => {
    const worth = worthAfter(model.problem, step, moves)
    const choice = mayDrop ? model.choices.find((choice) => choice.step.id === step.id) : undefined
    const own = choice ? hull(model, step, worth, choice) : shortening(step, worth)
    return own.map((piece) => ({ ...piece, hung: step.floating !== undefined }))
  })
  return pieces.sort((a, b) => a.rate - b.rate)
}

function shortening(step: Step, worth: number): Piece[] {
  const slackS = slackOf(step)
  return slackS > 0 ? [{ seconds: slackS, rate: ((1 - WORTH_AT_LEAST) * worth) / slackS }] : []
}

/** Loss of worth per second saved, as a convex lower hull: shortening first, then dropping the rest. */
function hull(
  model: SlotModel,
  step: Step,
  worth: number,
  { droppable, variants }: SlotStep,
): Piece[] {
  const shorter = shortening(step, worth)
  const lengthS = savedWithout(model.problem, step)
  const whole = worth / lengthS
  if (variants.length > 0) {
    const swaps = variants.map((variant) => {
      const savedS = Math.max(1, usualSeconds(step) - usualSeconds(variant.step))
      return ((1 - variant.worth) * worth) / savedS
    })
    const rates = [...shorter.map((piece) => piece.rate), ...(droppable ? [whole] : []), ...swaps]
    return [{ seconds: lengthS, rate: Math.min(...rates) }]
  }
  const [first] = shorter
  if (!first || first.rate >= whole || lengthS <= first.seconds)
    return [{ seconds: lengthS, rate: whole }]
  const restS = lengthS - first.seconds
  return [first, { seconds: restS, rate: (WORTH_AT_LEAST * worth) / restS }]
}
