import type { Step } from '../protocol/model'
import { worthAfter, type Move, type SlotProblem } from './slot-model'
import { GRID_S, grown, roomOf, shortened, slackOf, WORTH_AT_LEAST, WORTH_GROWN } from './worth'

/** Length of a ladder by the schedule; undefined when it cannot be placed. */
type Timer = (steps: readonly Step[]) => number | undefined

interface Times {
  readonly steps: readonly Step[]
  readonly totalS: number
}

const withStep = (steps: readonly Step[], step: Step, other: Step): readonly Step[] =>
  steps.map((candidate) => (candidate === step ? other : candidate))

/** Cuts where a second costs the least worth, each step as far as it helps, on the grid. Undefined when even the shortest is too long. */
export function shortenedTo(
  problem: SlotProblem,
  time: Timer,
  steps: readonly Step[],
  moves: readonly Move[],
  fromS: number,
): (Times & { readonly loss: number }) | undefined {
  const { slotS } = problem
  const leastS = time(steps.map((step) => shortened(step, slackOf(step))))
  if (leastS === undefined || leastS > slotS) return undefined
  const rate = (step: Step) =>
    ((1 - WORTH_AT_LEAST) * worthAfter(problem, step, moves)) / slackOf(step)
  const open = steps.filter((step) => slackOf(step) > 0)
  let now = steps
  let totalS = fromS
  let loss = 0
  for (const step of [...open].sort((a, b) => rate(a) - rate(b))) {
    const byS = cutOf(step, now, totalS, slotS, time)
    if (byS === undefined) continue
    now = withStep(now, step, shortened(step, byS))
    totalS = time(now)!
    loss += rate(step) * byS
    if (totalS <= slotS) return { steps: now, totalS, loss }
  }
  return undefined
}

/** How much of one step is cut: all it can spare, or the least that ends in time; undefined where cutting it saves nothing. */
function cutOf(
  step: Step,
  steps: readonly Step[],
  totalS: number,
  slotS: number,
  time: Timer,
): number | undefined {
  const mostS = slackOf(step)
  const withCut = (byS: number) => time(withStep(steps, step, shortened(step, byS)))
  const wholeS = withCut(mostS)
  // Under a long mask a shorter enhancement saves nothing.
  if (wholeS === undefined || wholeS >= totalS) return undefined
  if (wholeS > slotS) return mostS
  // A second saved saves at most a second, so nothing below the overrun can do.
  const fromS = Math.max(GRID_S, Math.ceil((totalS - slotS) / GRID_S) * GRID_S)
  for (let byS = fromS; byS < mostS; byS += GRID_S) {
    const cutS = withCut(byS)
    if (cutS !== undefined && cutS <= slotS) return byS
  }
  return mostS
}

/** Spare time given to massage, light and enhancements, where a second gains the most worth. */
export function grownInto(
  problem: SlotProblem,
  time: Timer,
  { steps, totalS }: Times,
  moves: readonly Move[],
): Times & { readonly gain: number } {
  const room = (step: Step) => roomOf(step, problem.isLight(step))
  const rate = (step: Step) => (WORTH_GROWN * worthAfter(problem, step, moves)) / room(step)
  const open = steps.filter((step) => room(step) > 0)
  let now = steps
  let endS = totalS
  let gain = 0
  for (const step of [...open].sort((a, b) => rate(b) - rate(a))) {
    const longer = (byS: number) => withStep(now, step, grown(step, byS, problem.isLight(step)))
    const byS = mostGrowth(room(step), problem.slotS, (tryS) => time(longer(tryS)))
    if (byS === 0) continue
    now = longer(byS)
    endS = time(now)!
    gain += rate(step) * byS
  }
  return { steps: now, totalS: endS, gain }
}

/** The most seconds on the grid that still end in time, found by halving. */
function mostGrowth(
  roomS: number,
  slotS: number,
  timeWith: (byS: number) => number | undefined,
): number {
  let [low, high] = [0, roomS / GRID_S]
  while (low < high) {
    const middle = Math.ceil((low + high) / 2)
    const totalS = timeWith(middle * GRID_S)
    if (totalS !== undefined && totalS <= slotS) low = middle
    else high = middle - 1
  }
  return low * GRID_S
}
