import type { Concern } from '../client/model'
import type { Step } from '../protocol/model'
import { goneWith } from '../protocol/family'
import { usualSeconds } from '../protocol/segments'
import {
  GRID_S,
  grown,
  roomOf,
  shortened,
  slackOf,
  WORTH_AT_LEAST,
  WORTH_GROWN,
  worthOf,
} from './worth'

/** What a slot fit is given. `makespan`: the schedule is the judge of time; undefined when the ladder cannot be placed. */
export interface SlotProblem {
  readonly steps: readonly Step[]
  readonly slotS: number
  readonly goals: readonly Concern[]
  readonly makespan: (steps: readonly Step[]) => number | undefined
  /** Rules and linter accept the ladder as it then is. Asked only of ladders that would be taken. */
  readonly allowed: (steps: readonly Step[]) => boolean
  /** Steps that may not be dropped, though they could be shortened. */
  readonly mustStay: ReadonlySet<string>
  /** Other ways of doing a step that the rules permit, by step id. */
  readonly variants?: ReadonlyMap<
    string,
    readonly { readonly step: Step; readonly worth: number }[]
  >
  readonly isLight: (step: Step) => boolean
  /** Of a ladder, the enhancements that no dwell admits any more: they go with their host. */
  readonly homeless?: (steps: readonly Step[]) => readonly Step[]
  /** Seconds by which all enhancements together can make a visit longer: no more is saved by leaving them out. */
  readonly hungS?: number
  /** Give spare time to massage, light and enhancements. */
  readonly grow?: boolean
  /** Schedules looked at before the search stops and says how far off it may be. */
  readonly limit?: number
}

export interface SlotChoice {
  readonly steps: readonly Step[]
  readonly totalS: number
  /** Of `fullWorth`, what is kept. */
  readonly worth: number
  readonly dropped: readonly string[]
  readonly swapped: readonly { readonly stepId: string; readonly title: string }[]
  readonly times: readonly {
    readonly stepId: string
    readonly fromS: number
    readonly toS: number
  }[]
}

export type SlotFit =
  | {
      readonly kind: 'optimal' | 'feasible'
      readonly best: SlotChoice
      readonly alternatives: readonly SlotChoice[]
      readonly fullWorth: number
      readonly gapWorth: number
      readonly looked: number
    }
  | {
      readonly kind: 'infeasible'
      /** The shortest ladder that keeps every limit. */ readonly leastS: number | undefined
      readonly fullWorth: number
      readonly looked: number
    }

/** Schedules looked at by default. */
export const SLOT_LIMIT = 400
const ALTERNATIVES = 3
/** Sets looked at for alternatives once the best is proven. */
const FOR_ALTERNATIVES = 12
const EPSILON = 1e-9

/** One way through the choices: what is dropped and what is swapped. */
interface Node {
  readonly at: number
  readonly taken: readonly Taken[]
  readonly bound: number
}
interface Taken {
  readonly stepId: string
  readonly variant: number /* −1 dropped, 0 as it is, 1… a variant */
}
interface Choice {
  readonly step: Step
  readonly droppable: boolean
  readonly worth: number
  readonly variants: readonly { readonly step: Step; readonly worth: number }[]
}

/** Steps that may be dropped on their own: not essential, no closure, nothing a rule put in. */
export const isOptional = (step: Step): boolean =>
  !step.essential && step.closes === undefined && !(step.insertedBy && step.insertedBy.length > 0)

/**
 * Chooses what to drop, swap and shorten so that the ladder ends by the slot and keeps the most worth.
 * Best-first over dropping and swapping; each set is shortened on the 30-second grid where a second costs the least worth, and
 * timed by the schedule. Bound: every second saved in a step saves at most one second of the visit, cheapest seconds first
 * (a fractional knapsack over the lower hull of each step's loss). `optimal` when no set left could be worth more than the best; else the gap is given.
 */
export function fitToSlot(problem: SlotProblem): SlotFit {
  const search = new SlotSearch(problem)
  return search.run()
}

class SlotSearch {
  private readonly choices: readonly Choice[]
  private readonly fullWorth: number
  private readonly limit: number
  private readonly hungS: number
  private looked = 0
  private readonly found = new Map<string, SlotChoice>()
  private best: SlotChoice | undefined

  constructor(private readonly problem: SlotProblem) {
    const { steps, goals, mustStay, variants } = problem
    this.hungS = problem.hungS ?? Infinity
    this.choices = steps
      .map((step) => ({
        step,
        worth: worthOf(step, goals),
        droppable: isOptional(step) && !mustStay.has(step.id),
        variants: variants?.get(step.id) ?? [],
      }))
      .filter((choice) => choice.droppable || choice.variants.length > 0)
      // What gives back the most time for its worth is decided first.
      .sort((a, b) => a.worth / this.saves(a.step) - b.worth / this.saves(b.step))
    this.fullWorth = steps.reduce((sum, step) => sum + worthOf(step, goals), 0)
    this.limit = problem.limit ?? SLOT_LIMIT
  }

  private saves(step: Step): number {
    const gone = goneWith(this.problem.steps, new Set([step.id]))
    const seconds = this.problem.steps.reduce(
      (sum, one) => sum + (gone.has(one.id) ? usualSeconds(one) : 0),
      0,
    )
    return Math.max(1, step.floating ? Math.min(seconds, this.hungS) : seconds)
  }

  run(): SlotFit {
    const open: Node[] = [
      { at: 0, taken: [], bound: this.fullWorth * (this.problem.grow ? 1 + WORTH_GROWN : 1) },
    ]
    let proven: number | undefined
    for (let extra = 0; open.length > 0 && this.looked < this.limit;) {
      const node = open.shift()!
      if (this.best && node.bound <= this.best.worth + EPSILON) {
        proven ??= node.bound
        // Proven: what is looked at from here on is for the next best alternatives.
        if (this.found.size > ALTERNATIVES || ++extra > FOR_ALTERNATIVES) break
      }
      for (const child of this.branch(node)) insertSorted(open, child)
    }
    if (!this.best)
      return {
        kind: 'infeasible',
        leastS: this.least(),
        fullWorth: this.fullWorth,
        looked: this.looked,
      }
    const bound = open.length === 0 ? this.best.worth : Math.max(open[0]!.bound, this.best.worth)
    const gapWorth = proven === undefined ? bound - this.best.worth : 0
    const others = [...this.found.values()]
      .filter((one) => one !== this.best)
      .sort((a, b) => b.worth - a.worth || a.totalS - b.totalS)
      .slice(0, ALTERNATIVES)
    return {
      kind: gapWorth > EPSILON ? 'feasible' : 'optimal',
      best: this.best,
      alternatives: others,
      fullWorth: this.fullWorth,
      gapWorth,
      looked: this.looked,
    }
  }

  /** The shortest ladder of all: everything that may go gone, the rest at its least. */
  private least(): number | undefined {
    const taken = this.choices
      .filter((choice) => choice.droppable)
      .map((choice): Taken => ({ stepId: choice.step.id, variant: -1 }))
    return this.time(this.stepsOf(taken).map((step) => shortened(step, slackOf(step))))
  }

  /** Tries the node's own set, then hands out one child per next choice, so that every set is met once. */
  private branch(node: Node): Node[] {
    const steps = this.stepsOf(node.taken)
    const totalS = this.time(steps)
    if (totalS !== undefined) this.leaf(steps, node.taken, totalS)
    return this.choices.slice(node.at).flatMap((choice, offset) => {
      const ways = [...(choice.droppable ? [-1] : []), ...choice.variants.map((_, at) => at + 1)]
      return ways.flatMap((variant): Node[] => {
        const taken = [...node.taken, { stepId: choice.step.id, variant }]
        const saved =
          variant === -1
            ? this.saves(choice.step)
            : Math.max(
                0,
                usualSeconds(choice.step) - usualSeconds(choice.variants[variant - 1]!.step),
              )
        // A second saved in a step saves at most a second of the visit; what cannot be placed says nothing.
        const bound = this.bound(
          taken,
          totalS === undefined ? 0 : totalS - saved - this.problem.slotS,
        )
        return [{ at: node.at + offset + 1, taken, bound }]
      })
    })
  }

  private stepsOf(taken: readonly Taken[]): Step[] {
    const gone = goneWith(
      this.problem.steps,
      new Set(taken.filter((one) => one.variant === -1).map((one) => one.stepId)),
    )
    const left = this.problem.steps.filter((step) => !gone.has(step.id))
    const homeless = new Set(
      (taken.length > 0 ? (this.problem.homeless?.(left) ?? []) : [])
        .filter((step) => isOptional(step) && !this.problem.mustStay.has(step.id))
        .map((step) => step.id),
    )
    return left
      .filter((step) => !homeless.has(step.id))
      .map((step) => {
        const variant = taken.find((one) => one.stepId === step.id)?.variant ?? 0
        return variant > 0 ? this.problem.variants!.get(step.id)![variant - 1]!.step : step
      })
  }

  private shareOf(stepId: string, taken: readonly Taken[]): number {
    const variant = taken.find((one) => one.stepId === stepId)?.variant ?? 0
    return variant > 0 ? this.problem.variants!.get(stepId)![variant - 1]!.worth : 1
  }

  private worthOfSet(steps: readonly Step[], taken: readonly Taken[]): number {
    return steps.reduce(
      (sum, step) => sum + worthOf(step, this.problem.goals) * this.shareOf(step.id, taken),
      0,
    )
  }

  /** Worth a set may still have when it is this many seconds too long, with every other choice still free. */
  private bound(taken: readonly Taken[], overS: number): number {
    const steps = this.stepsOf(taken)
    const worth = this.worthOfSet(steps, taken)
    const most = this.problem.grow ? worth * (1 + WORTH_GROWN) : worth
    return overS <= 0 ? most : most - this.cheapest(steps, taken, overS, true)
  }

  private cheapest(
    steps: readonly Step[],
    taken: readonly Taken[],
    overS: number,
    mayDrop: boolean,
  ): number {
    const pieces = steps.flatMap((step) =>
      this.pieces(
        step,
        worthOf(step, this.problem.goals) * this.shareOf(step.id, taken),
        mayDrop,
      ).map((piece) => ({ ...piece, hung: step.floating !== undefined })),
    )
    let left = overS
    let hungLeft = this.hungS
    let loss = 0
    for (const { seconds, rate, hung } of pieces.sort((a, b) => a.rate - b.rate)) {
      const used = Math.min(left, seconds, hung ? hungLeft : Infinity)
      loss += used * rate
      left -= used
      if (hung) hungLeft -= used
      if (left <= 0) return loss
    }
    return mayDrop ? loss : Infinity
  }

  /** Loss of worth per second saved, as a convex lower hull: shortening first, then dropping the rest. */
  private pieces(step: Step, worth: number, mayDrop: boolean): { seconds: number; rate: number }[] {
    const slack = slackOf(step)
    const keep = slack > 0 ? [{ seconds: slack, rate: ((1 - WORTH_AT_LEAST) * worth) / slack }] : []
    const choice = mayDrop ? this.choices.find((one) => one.step.id === step.id) : undefined
    if (!choice) return keep
    const length = this.saves(step)
    const swaps = choice.variants.map((variant) => ({
      seconds: Math.max(1, usualSeconds(step) - usualSeconds(variant.step)),
      loss: (1 - variant.worth) * worth,
    }))
    const rates = [
      ...keep.map((one) => one.rate),
      ...(choice.droppable ? [worth / length] : []),
      ...swaps.map((one) => one.loss / one.seconds),
    ]
    if (swaps.length > 0) return [{ seconds: length, rate: Math.min(...rates) }]
    if (keep.length === 0 || keep[0]!.rate >= worth / length || length <= slack)
      return [{ seconds: length, rate: worth / length }]
    return [...keep, { seconds: length - slack, rate: (WORTH_AT_LEAST * worth) / (length - slack) }]
  }

  private leaf(steps: readonly Step[], taken: readonly Taken[], asIs: number) {
    const worthWhole = this.worthOfSet(steps, taken)
    const over = asIs - this.problem.slotS
    const atMost =
      worthWhole * (this.problem.grow ? 1 + WORTH_GROWN : 1) -
      (over > 0 ? this.cheapest(steps, taken, over, false) : 0)
    const known = [...this.found.values()].map((one) => one.worth).sort((a, b) => b - a)
    if (atMost === -Infinity || atMost <= (known[ALTERNATIVES] ?? -Infinity)) return
    const fitted = over > 0 ? this.shorten(steps, taken, asIs) : { steps, totalS: asIs, loss: 0 }
    if (!fitted) return
    const more = this.problem.grow
      ? this.growInto(fitted.steps, fitted.totalS, taken)
      : { ...fitted, gain: 0 }
    const worth = worthWhole - fitted.loss + more.gain
    if (worth <= (known[ALTERNATIVES] ?? -Infinity) || !this.problem.allowed(more.steps)) return
    const choice = this.described(more.steps, more.totalS, worth, taken)
    this.found.set(JSON.stringify(taken), choice)
    if (
      !this.best ||
      worth > this.best.worth + EPSILON ||
      (Math.abs(worth - this.best.worth) <= EPSILON && more.totalS < this.best.totalS)
    )
      this.best = choice
  }

  /** Cuts where a second costs the least worth, each step as far as it helps, on the grid. Undefined when even the shortest is too long. */
  private shorten(
    steps: readonly Step[],
    taken: readonly Taken[],
    fromS: number,
  ): { steps: readonly Step[]; totalS: number; loss: number } | undefined {
    const open = steps.filter((step) => slackOf(step) > 0)
    const least = this.time(
      steps.map((step) => (open.includes(step) ? shortened(step, slackOf(step)) : step)),
    )
    if (least === undefined || least > this.problem.slotS) return undefined
    const rate = (step: Step) =>
      ((1 - WORTH_AT_LEAST) * worthOf(step, this.problem.goals) * this.shareOf(step.id, taken)) /
      slackOf(step)
    let now = [...steps]
    let totalS = fromS
    let loss = 0
    for (const step of [...open].sort((a, b) => rate(a) - rate(b))) {
      const withCut = (byS: number) => now.map((one) => (one === step ? shortened(step, byS) : one))
      const most = slackOf(step)
      const whole = this.time(withCut(most))
      // Under a long mask a shorter enhancement saves nothing.
      if (whole === undefined || whole >= totalS) continue
      const byS =
        whole > this.problem.slotS
          ? most
          : this.leastCut(
              withCut,
              Math.max(GRID_S, Math.ceil((totalS - this.problem.slotS) / GRID_S) * GRID_S),
              most,
            )
      now = withCut(byS)
      totalS = this.time(now)!
      loss += rate(step) * byS
      if (totalS <= this.problem.slotS) return { steps: now, totalS, loss }
    }
    return undefined
  }

  /** The least cut on the grid that ends in time; a second saved saves at most a second, so nothing below `fromS` can. */
  private leastCut(
    withCut: (byS: number) => readonly Step[],
    fromS: number,
    mostS: number,
  ): number {
    for (let byS = fromS; byS < mostS; byS += GRID_S) {
      const totalS = this.time(withCut(byS))
      if (totalS !== undefined && totalS <= this.problem.slotS) return byS
    }
    return mostS
  }

  private growInto(
    steps: readonly Step[],
    totalS: number,
    taken: readonly Taken[],
  ): { steps: readonly Step[]; totalS: number; gain: number } {
    const { isLight, slotS, goals } = this.problem
    const room = (step: Step) => roomOf(step, isLight(step))
    const rate = (step: Step) =>
      (WORTH_GROWN * worthOf(step, goals) * this.shareOf(step.id, taken)) / room(step)
    let now = [...steps]
    let end = totalS
    let gain = 0
    for (const step of steps.filter((one) => room(one) > 0).sort((a, b) => rate(b) - rate(a))) {
      let by = 0
      for (let [low, high] = [0, room(step) / GRID_S]; low < high;) {
        const middle = Math.ceil((low + high) / 2)
        const tried = this.time(
          now.map((one) => (one === step ? grown(step, middle * GRID_S, isLight(step)) : one)),
        )
        if (tried !== undefined && tried <= slotS) {
          low = middle
          by = middle * GRID_S
        } else high = middle - 1
      }
      if (by === 0) continue
      now = now.map((one) => (one === step ? grown(step, by, isLight(step)) : one))
      end = this.time(now)!
      gain += rate(step) * by
    }
    return { steps: now, totalS: end, gain }
  }

  private time(steps: readonly Step[]): number | undefined {
    this.looked++
    return this.problem.makespan(steps)
  }

  private described(
    steps: readonly Step[],
    totalS: number,
    worth: number,
    taken: readonly Taken[],
  ): SlotChoice {
    const kept = new Map(steps.map((step) => [step.id, step]))
    const swapped = taken.flatMap(({ stepId, variant }) =>
      variant > 0 ? [{ stepId, title: kept.get(stepId)?.title ?? stepId }] : [],
    )
    const times = this.problem.steps.flatMap((step) => {
      const now = kept.get(step.id)
      return now &&
        usualSeconds(now) !== usualSeconds(step) &&
        !swapped.some((one) => one.stepId === step.id)
        ? [{ stepId: step.id, fromS: usualSeconds(step), toS: usualSeconds(now) }]
        : []
    })
    return {
      steps,
      totalS,
      worth,
      dropped: this.problem.steps.filter((step) => !kept.has(step.id)).map((step) => step.id),
      swapped,
      times,
    }
  }
}

function insertSorted(open: Node[], node: Node) {
  let at = open.length
  while (at > 0 && open[at - 1]!.bound < node.bound) at--
  open.splice(at, 0, node)
}
