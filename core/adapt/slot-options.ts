import type { Step } from '../protocol/model'
import { slotSecondsOf, type CompileInput } from './input'
import { placeKeeping, withHygiene } from './lay'
import { throughRules } from './rules-stage'
import { fitsSlot, isOptional, type SlotChoice, type SlotFit } from './slot'
import { slotFitter } from './slot-of'
import { readyFor } from './time-stage'
import { openVisit } from './visit'

/** One way of fitting a ladder to its slot, in titles. */
export interface SlotAlternative {
  readonly totalS: number
  readonly worth: number
  readonly dropped: readonly string[]
  readonly shortened: readonly string[]
  readonly swapped: readonly string[]
  /** What would have to be marked “must stay” to get this one. */
  readonly keepInstead: readonly string[]
}

/** What a slot of so many minutes keeps; worth undefined where nothing fits. */
export interface FrontierPoint {
  readonly minutes: number
  readonly worth: number | undefined
  readonly gap: number
  readonly dropped: number
  /** Nothing was found, and it is not proven that nothing is there. */
  readonly isUnfinished?: boolean
}

export interface SlotOptions {
  readonly fullWorth: number
  /** Steps that could be left out for time: what “must stay” can be said of. */
  readonly optional: readonly { readonly id: string; readonly title: string }[]
  readonly alternatives: readonly SlotAlternative[]
  readonly frontier: readonly FrontierPoint[]
}

/** The frontier minutes ↔ worth and the next best alternatives of a visit; undefined when the rules leave no plan. */
export function slotOptions(
  given: CompileInput,
  slotsMinutes: readonly number[],
): SlotOptions | undefined {
  const visit = openVisit(given)
  const ruled = throughRules(visit)
  if (ruled.status !== 'ready') return undefined
  const { steps } = placeKeeping(withHygiene(ruled.steps), undefined, visit.input.reserved)
  const fitter = slotFitter(readyFor(steps, visit))
  const own = fitter(slotSecondsOf(visit.input))
  return {
    fullWorth: own.fullWorth,
    optional: steps.filter(isOptional).map(({ id, title }) => ({ id, title })),
    alternatives: alternativesOf(own, steps),
    frontier: slotsMinutes.map((minutes) => pointOf(minutes, fitter(minutes * 60))),
  }
}

function alternativesOf(fit: SlotFit, steps: readonly Step[]): SlotAlternative[] {
  if (!fitsSlot(fit)) return []
  const titles = new Map(steps.map((step) => [step.id, step.title]))
  const titleOf = (stepId: string): string => titles.get(stepId) ?? stepId
  return fit.alternatives.map((choice: SlotChoice) => ({
    totalS: choice.totalS,
    worth: choice.worth,
    dropped: choice.dropped.map(titleOf),
    shortened: choice.times
      .filter((time) => time.toS < time.fromS)
      .map((time) => titleOf(time.stepId)),
    swapped: choice.swapped.map((swap) => swap.title),
    keepInstead: fit.best.dropped.filter((id) => !choice.dropped.includes(id)),
  }))
}

function pointOf(minutes: number, fit: SlotFit): FrontierPoint {
  if (!fitsSlot(fit))
    return {
      minutes,
      worth: undefined,
      gap: 0,
      dropped: 0,
      isUnfinished: fit.kind === 'unfinished',
    }
  const { worth, dropped } = fit.best
  return { minutes, worth, gap: fit.gapWorth, dropped: dropped.length }
}
