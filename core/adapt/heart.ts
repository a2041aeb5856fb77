import type { Step } from '../protocol/model'
import type { Phase } from '../protocol/words'

const TREATMENT: ReadonlySet<Phase> = new Set([
  'exfoliate',
  'extract',
  'concentrate',
  'massage',
  'device',
  'mask',
])
/** Work for the sake of the skin: neither cleansing nor finishing, and no enhancement that hangs. */
export const isTreatment = (step: Step): boolean =>
  TREATMENT.has(step.phase) && step.floating === undefined && step.gate === undefined

/** What a card is for: the steps marked as its heart; where none is marked, its treatments of the highest priority. `written`: the whole card. */
export function heartOf(steps: readonly Step[], written: readonly Step[]): string[] {
  const isMarked = written.some((step) => step.heart)
  const treatments = steps.filter(isTreatment)
  const highest = Math.max(...treatments.map((step) => step.priority))
  const heart = isMarked
    ? steps.filter((step) => step.heart)
    : treatments.filter((step) => step.priority === highest)
  return heart.map((step) => step.id)
}

/** What of a card's heart is not in the ladder that came out, and whether anything of its treatment is. */
export interface Heart {
  readonly stepIds: readonly string[]
  readonly lost: readonly { readonly stepId: string; readonly title: string }[]
  /** Some treatment is left, or none was written. */
  readonly treats: boolean
}

/** True where nothing of what the card is for is left out. */
export const heartStands = ({ lost, treats }: Heart): boolean => treats && lost.length === 0

/** Compares what a visit wanted (goals, gates and time of day answered) with what it became. */
export function heartIn(
  fitted: readonly Step[],
  wanted: readonly Step[],
  written: readonly Step[],
): Heart {
  const stepIds = heartOf(wanted, written)
  const kept = new Set(fitted.map((step) => step.id))
  const lost = wanted
    .filter((step) => stepIds.includes(step.id) && !kept.has(step.id))
    .map((step) => ({ stepId: step.id, title: step.title }))
  return { stepIds, lost, treats: fitted.some(isTreatment) || !wanted.some(isTreatment) }
}
