import type { Concern, GoalDetails } from '../client/model'
import { goneWith } from '../protocol/family'
import type { Step } from '../protocol/model'
import { usualSeconds } from '../protocol/segments'
import { WORTH_GROWN, worthOf } from './worth'

/** Another way of doing a step, and the share of the step's worth it keeps. */
export interface SlotVariant {
  readonly step: Step
  readonly worth: number
}

/** What a slot fit is given. `makespan`: the schedule is the judge of time; undefined when the ladder cannot be placed. */
export interface SlotProblem {
  readonly steps: readonly Step[]
  readonly slotS: number
  readonly goals: readonly Concern[]
  readonly goalDetails?: GoalDetails | undefined
  readonly makespan: (steps: readonly Step[]) => number | undefined
  /** Rules and linter accept the ladder as it then is. Asked only of ladders that would be taken. */
  readonly allowed: (steps: readonly Step[]) => boolean
  /** Steps that may not be dropped, though they could be shortened. */
  readonly mustStay: ReadonlySet<string>
  /** Other ways of doing a step that the rules permit, by step id. */
  readonly variants?: ReadonlyMap<string, readonly SlotVariant[]>
  readonly isLight: (step: Step) => boolean
  /** Of a ladder, the enhancements that no dwell admits any more: they go with their host. */
  readonly withoutHost?: (steps: readonly Step[]) => readonly Step[]
  /** Seconds by which all enhancements together can make a visit longer: no more is saved by leaving them out. */
  readonly enhancementsAddS?: number
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

export interface SlotFit {
  /** `infeasible`: proven that nothing ends by the slot; `unfinished`: the search came to its limit and found nothing that does. */
  readonly kind: 'optimal' | 'feasible' | 'infeasible' | 'unfinished'
  /** The best ladder that ends by its slot; where none does, the shortest that rules and linter accept. */
  readonly best: SlotChoice | undefined
  readonly alternatives: readonly SlotChoice[]
  readonly fullWorth: number
  /** How much more worth could be kept at the most. */
  readonly gapWorth: number
  readonly looked: number
  /** Where nothing ends by the slot: the shortest ladder found, in seconds. */
  readonly leastS?: number | undefined
}

/** A fit that ends by its slot. */
export const fitsSlot = (fit: SlotFit): fit is SlotFit & { readonly best: SlotChoice } =>
  fit.best !== undefined && (fit.kind === 'optimal' || fit.kind === 'feasible')

/** What is done about one step; a step without a move is kept. */
export type Move =
  | { readonly kind: 'drop'; readonly stepId: string }
  | { readonly kind: 'swap'; readonly stepId: string; readonly to: SlotVariant }

/** A step about which there is something to choose. */
export interface SlotStep {
  readonly step: Step
  readonly worth: number
  readonly droppable: boolean
  readonly variants: readonly SlotVariant[]
}

export interface SlotModel {
  readonly problem: SlotProblem
  /** What gives back the most time for its worth comes first. */
  readonly choices: readonly SlotStep[]
  readonly fullWorth: number
}

/** Steps that may be dropped on their own: not essential, no closure, nothing a rule put in. */
export const isOptional = (step: Step): boolean =>
  !step.essential && step.closes === undefined && !(step.insertedBy && step.insertedBy.length > 0)

export function slotModelOf(problem: SlotProblem): SlotModel {
  const { steps, goals, goalDetails, mustStay, variants } = problem
  const perSecond = ({ worth, step }: SlotStep): number => worth / savedWithout(problem, step)
  const choices = steps
    .map((step) => ({
      step,
      worth: worthOf(step, goals, goalDetails),
      droppable: isOptional(step) && !mustStay.has(step.id),
      variants: variants?.get(step.id) ?? [],
    }))
    .filter((choice) => choice.droppable || choice.variants.length > 0)
    .sort((a, b) => perSecond(a) - perSecond(b))
  const fullWorth = steps.reduce((sum, step) => sum + worthOf(step, goals, goalDetails), 0)
  return { problem, choices, fullWorth }
}

/** Seconds that all enhancements together can add to a visit. */
export const enhancementSecondsOf = ({ enhancementsAddS }: SlotProblem): number =>
  enhancementsAddS ?? Infinity

/** How much of a worth can be there at the most, when spare time may be given away. */
export const mostOf = ({ grow }: SlotProblem, worth: number): number =>
  grow ? worth * (1 + WORTH_GROWN) : worth

/** Seconds that go when a step goes, with what closes it. */
export function savedWithout(problem: SlotProblem, step: Step): number {
  const gone = goneWith(problem.steps, new Set([step.id]))
  const seconds = problem.steps
    .filter((other) => gone.has(other.id))
    .reduce((sum, other) => sum + usualSeconds(other), 0)
  return Math.max(1, step.floating ? Math.min(seconds, enhancementSecondsOf(problem)) : seconds)
}

/** Seconds a move gives back at the most. */
export function savedByMove(problem: SlotProblem, { step }: SlotStep, move: Move): number {
  switch (move.kind) {
    case 'drop':
      return savedWithout(problem, step)
    case 'swap':
      return Math.max(0, usualSeconds(step) - usualSeconds(move.to.step))
  }
}

/** Every move there is about a step: dropping first. */
export function movesOf({ step, droppable, variants }: SlotStep): Move[] {
  const drop: Move[] = droppable ? [{ kind: 'drop', stepId: step.id }] : []
  return [...drop, ...variants.map((to): Move => ({ kind: 'swap', stepId: step.id, to }))]
}

const swapOf = (stepId: string, moves: readonly Move[]): SlotVariant | undefined => {
  const move = moves.find((candidate) => candidate.stepId === stepId)
  return move?.kind === 'swap' ? move.to : undefined
}

/** The ladder after these moves; enhancements that no dwell admits any more go with their host. */
export function stepsAfter({ problem }: SlotModel, moves: readonly Move[]): Step[] {
  const dropped = moves.filter((move) => move.kind === 'drop').map((move) => move.stepId)
  const gone = goneWith(problem.steps, new Set(dropped))
  const left = problem.steps.filter((step) => !gone.has(step.id))
  const withoutHost = moves.length > 0 ? (problem.withoutHost?.(left) ?? []) : []
  const goesToo = new Set(
    withoutHost
      .filter((step) => isOptional(step) && !problem.mustStay.has(step.id))
      .map((step) => step.id),
  )
  return left
    .filter((step) => !goesToo.has(step.id))
    .map((step) => swapOf(step.id, moves)?.step ?? step)
}

/** What a step of the ladder after these moves is worth. */
export const worthAfter = (problem: SlotProblem, step: Step, moves: readonly Move[]): number =>
  worthOf(step, problem.goals, problem.goalDetails) * (swapOf(step.id, moves)?.worth ?? 1)

export const worthOfAll = (
  problem: SlotProblem,
  steps: readonly Step[],
  moves: readonly Move[],
): number => steps.reduce((sum, step) => sum + worthAfter(problem, step, moves), 0)
