import type { Step } from '../protocol/model'
import { usualSeconds } from '../protocol/segments'
import { boundOf, leastLoss } from './slot-bound'
import {
  mostOf,
  movesOf,
  savedByMove,
  slotModelOf,
  stepsAfter,
  worthOfAll,
  type Move,
  type SlotChoice,
  type SlotFit,
  type SlotModel,
  type SlotProblem,
} from './slot-model'
import { grownInto, shortenedTo } from './slot-times'
import { shortened, slackOf } from './worth'

export { fitsSlot, isOptional } from './slot-model'
export type { SlotChoice, SlotFit, SlotProblem } from './slot-model'

/** Schedules looked at by default. */
export const SLOT_LIMIT = 400
const ALTERNATIVES = 3
/** Sets looked at for alternatives once the best is proven. */
const FOR_ALTERNATIVES = 12
/** Ladders of the first dive that are tried, the fullest first. */
const DIVES_MOST = 4
const EPSILON = 1e-9

interface Fitted {
  readonly steps: readonly Step[]
  readonly totalS: number
  readonly loss: number
  readonly gain: number
}

/** One set of moves; the choices from `next` on are still open. */
interface Node {
  readonly next: number
  readonly moves: readonly Move[]
  readonly bound: number
}

/**
 * Chooses what to drop, swap and shorten so that the ladder ends by the slot and keeps the most worth.
 * Best-first over dropping and swapping; each set is shortened on the 30-second grid where a second costs the least worth, and
 * timed by the schedule. Bound: every second saved in a step saves at most one second of the visit, cheapest seconds first
 * (a fractional knapsack over the lower hull of each step's loss). `optimal` when no set left could be worth more than the best; else the gap is given.
 */
export function fitToSlot(problem: SlotProblem): SlotFit {
  return new SlotSearch(problem).run()
}

class SlotSearch {
  private readonly model: SlotModel
  private readonly limit: number
  private looked = 0
  private readonly found: SlotChoice[] = []
  private best: SlotChoice | undefined

  constructor(private readonly problem: SlotProblem) {
    this.model = slotModelOf(problem)
    this.limit = problem.limit ?? SLOT_LIMIT
  }

  run(): SlotFit {
    this.dive()
    const bound = mostOf(this.problem, this.model.fullWorth)
    const open: Node[] = [{ next: 0, moves: [], bound }]
    let proven = false
    for (let extra = 0; open.length > 0 && this.looked < this.limit;) {
      const node = open.shift()!
      if (this.best && node.bound <= this.best.worth + EPSILON) {
        proven = true
        // What is looked at from here on is for the next best alternatives.
        if (this.found.length > ALTERNATIVES || ++extra > FOR_ALTERNATIVES) break
      }
      for (const child of this.branch(node)) {
        // Even everything that is still open would not bring it into its slot.
        if (child.bound !== -Infinity) insertSorted(open, child)
      }
    }
    return this.answer(open[0]?.bound, proven)
  }

  private answer(openBound: number | undefined, proven: boolean): SlotFit {
    const { best, looked } = this
    const { fullWorth } = this.model
    if (!best) return this.withoutChoice(openBound === undefined)
    const bound = Math.max(openBound ?? best.worth, best.worth)
    const gapWorth = proven ? 0 : bound - best.worth
    const alternatives = this.found
      .filter((choice) => choice !== best)
      .sort((a, b) => b.worth - a.worth || a.totalS - b.totalS)
      .slice(0, ALTERNATIVES)
    const kind = gapWorth > EPSILON ? 'feasible' : 'optimal'
    return { kind, best, alternatives, fullWorth, gapWorth, looked }
  }

  /** Nothing ends by the slot: the shortest ladder of all, everything that may go gone and the rest at its least. */
  private withoutChoice(isProven: boolean): SlotFit {
    const { fullWorth } = this.model
    const moves = this.drops()
    const steps = this.atLeast(stepsAfter(this.model, moves))
    const leastS = this.time(steps)
    const best =
      leastS !== undefined && this.problem.allowed(steps)
        ? this.described(steps, leastS, 0, moves)
        : undefined
    const kind = isProven ? 'infeasible' : 'unfinished'
    const { looked } = this
    return { kind, best, alternatives: [], leastS, fullWorth, gapWorth: fullWorth, looked }
  }

  private drops(): Move[] {
    return this.model.choices.flatMap(movesOf).filter((move) => move.kind === 'drop')
  }

  private atLeast(steps: readonly Step[]): Step[] {
    return steps.map((step) => shortened(step, slackOf(step)))
  }

  /**
   * A first answer before any search: everything that may go is left out, and what is worth most for its time comes back as long as the shortest
   * ladder still ends by the slot. So a search that comes to its limit has something to give.
   */
  private dive(): void {
    const sets: (readonly Move[])[] = [this.drops()]
    for (const { step } of [...this.model.choices].reverse()) {
      const fewer = sets.at(-1)!.filter((move) => move.stepId !== step.id)
      if (fewer.length === sets.at(-1)!.length) continue
      const leastS = this.time(this.atLeast(stepsAfter(this.model, fewer)))
      if (leastS !== undefined && leastS <= this.problem.slotS) sets.push(fewer)
    }
    for (const moves of sets.slice(-DIVES_MOST).reverse()) {
      const steps = stepsAfter(this.model, moves)
      const totalS = this.time(steps)
      if (totalS !== undefined) this.consider(steps, moves, totalS)
      if (this.best) return
    }
  }

  /** Tries the node's own set, then hands out one child per next choice, so that every set is met once. */
  private branch({ moves, next }: Node): Node[] {
    const steps = stepsAfter(this.model, moves)
    const totalS = this.time(steps)
    if (totalS !== undefined) this.consider(steps, moves, totalS)
    return this.model.choices.slice(next).flatMap((choice, offset) =>
      movesOf(choice).map((move): Node => {
        const extended = [...moves, move]
        const savedS = savedByMove(this.problem, choice, move)
        // A second saved in a step saves at most a second of the visit; what cannot be placed says nothing.
        const overS = totalS === undefined ? 0 : totalS - savedS - this.problem.slotS
        const bound = boundOf(this.model, extended, overS)
        return { next: next + offset + 1, moves: extended, bound }
      }),
    )
  }

  /** Fits one set to the slot, and keeps it where it is among the best. */
  private consider(steps: readonly Step[], moves: readonly Move[], asIsS: number): void {
    const wholeWorth = worthOfAll(this.problem, steps, moves)
    const overS = asIsS - this.problem.slotS
    const loss = overS > 0 ? leastLoss(this.model, steps, moves, overS, false) : 0
    const atMost = mostOf(this.problem, wholeWorth) - loss
    if (atMost === -Infinity || !this.isAmongBest(atMost)) return
    const fitted = this.fitted(steps, moves, asIsS)
    if (!fitted) return
    const worth = wholeWorth - fitted.loss + fitted.gain
    if (!this.isAmongBest(worth) || !this.problem.allowed(fitted.steps)) return
    const choice = this.described(fitted.steps, fitted.totalS, worth, moves)
    if (this.found.some((other) => isSameChoice(other, choice))) return
    this.found.push(choice)
    if (this.isBetter(choice)) this.best = choice
  }

  /** The ladder in its slot, and the worth that was lost and gained on the way. */
  private fitted(
    steps: readonly Step[],
    moves: readonly Move[],
    asIsS: number,
  ): Fitted | undefined {
    const time = (some: readonly Step[]) => this.time(some)
    const short =
      asIsS > this.problem.slotS
        ? shortenedTo(this.problem, time, steps, moves, asIsS)
        : { steps, totalS: asIsS, loss: 0 }
    if (!short) return undefined
    if (!this.problem.grow) return { ...short, gain: 0 }
    const long = grownInto(this.problem, time, short, moves)
    return { ...long, loss: short.loss }
  }

  private isAmongBest(worth: number): boolean {
    const worths = this.found.map((choice) => choice.worth).sort((a, b) => b - a)
    return worth > (worths[ALTERNATIVES] ?? -Infinity)
  }

  private isBetter({ worth, totalS }: SlotChoice): boolean {
    if (!this.best || worth > this.best.worth + EPSILON) return true
    return Math.abs(worth - this.best.worth) <= EPSILON && totalS < this.best.totalS
  }

  private time(steps: readonly Step[]): number | undefined {
    this.looked++
    return this.problem.makespan(steps)
  }

  private described(
    steps: readonly Step[],
    totalS: number,
    worth: number,
    moves: readonly Move[],
  ): SlotChoice {
    const kept = new Map(steps.map((step) => [step.id, step]))
    const swaps = moves.filter((move) => move.kind === 'swap')
    const swapped = swaps.map(({ stepId }) => ({
      stepId,
      title: kept.get(stepId)?.title ?? stepId,
    }))
    const isSwapped = (stepId: string) => swaps.some((swap) => swap.stepId === stepId)
    const times = this.problem.steps.flatMap((step) => {
      const now = kept.get(step.id)
      if (!now || isSwapped(step.id)) return []
      const [fromS, toS] = [usualSeconds(step), usualSeconds(now)]
      return fromS === toS ? [] : [{ stepId: step.id, fromS, toS }]
    })
    const dropped = this.problem.steps.filter((step) => !kept.has(step.id)).map((step) => step.id)
    return { steps, totalS, worth, dropped, swapped, times }
  }
}

const isSameChoice = (a: SlotChoice, b: SlotChoice): boolean =>
  a.totalS === b.totalS &&
  a.dropped.join() === b.dropped.join() &&
  a.swapped.map(({ stepId, title }) => `${stepId}:${title}`).join() ===
    b.swapped.map(({ stepId, title }) => `${stepId}:${title}`).join()

function insertSorted(open: Node[], node: Node): void {
  let place = open.length
  while (place > 0 && open[place - 1]!.bound < node.bound) place--
  open.splice(place, 0, node)
}
