import type { Shelf } from '../../catalog/model'
import type { Step } from '../../protocol/model'
import type { Property } from '../../protocol/words'
import { NECK, zonesMeet, type ZoneId } from '../../skin/zones'
import { stepFrom } from '../add'
import { STEP_CATALOGUE } from '../tables/catalogue'

/** A ladder on the bench, and what can be asked of its steps. */
export interface Bench {
  readonly steps: readonly Step[]
  readonly shelf: Shelf
  readonly question: string
  readonly has: (step: Step, ...any: Property[]) => boolean
}

export const NECK_AND_CHEST: readonly ZoneId[] = [...NECK, 'decollete']
export const WET = ['sponge', 'towel', 'compress', 'mitt', 'water']
export const insert = (steps: readonly Step[], index: number, step: Step): Step[] => [
  ...steps.slice(0, index),
  step,
  ...steps.slice(index),
]
export const fresh = (bench: Bench, row: string, after?: Step, more: Partial<Step> = {}): Step => ({
  ...stepFrom(
    STEP_CATALOGUE.find((other) => other.id === row)!,
    bench.steps,
    bench.shelf,
    after,
  ),
  byMethod: bench.question,
  ...more,
})
export const closureOf = (steps: readonly Step[], id: string): Step[] =>
  steps.filter((step) => step.id === id || step.closes === id)
export const withoutSteps = (steps: readonly Step[], gone: readonly Step[]): Step[] =>
  steps.filter((step) => !gone.some((other) => other.id === step.id || other.id === step.closes))
export const each = (
  bench: Bench,
  found: (step: Step) => boolean,
  change: (step: Step) => Step,
): Step[] => bench.steps.map((step) => (found(step) ? change(step) : step))
export const comesOff = (step: Step): boolean =>
  step.segments.some((part) => part.kind === 'remove')
export const onFace = (step: Step): boolean =>
  zonesMeet(step.zones, ['forehead', 'cheek-left', 'chin', 'nose-bridge'])
export const exfoliates =
  (bench: Bench) =>
  (step: Step): boolean =>
    step.phase === 'exfoliate' && bench.has(step, 'exfoliating')
export const isAcid =
  (bench: Bench) =>
  (step: Step): boolean =>
    bench.has(step, 'acid') && bench.has(step, 'exfoliating')

/** Moves what is found, with its closures, before or after another step; unchanged when either is missing. */
export function shift(
  steps: readonly Step[],
  found: Step | undefined,
  place: (rest: readonly Step[]) => number,
): Step[] {
  if (!found) return [...steps]
  const group = closureOf(steps, found.id)
  const rest = withoutSteps(steps, group)
  const index = place(rest)
  return index === -1 ? [...steps] : [...rest.slice(0, index), ...group, ...rest.slice(index)]
}
/** Before the first such step, and before the tissue that dries the skin for it. */
export const before =
  (found: (step: Step) => boolean) =>
  (rest: readonly Step[]): number => {
    const index = rest.findIndex(found)
    return index > 0 && rest[index - 1]!.properties.includes('blotting') ? index - 1 : index
  }
/** After the last such step and what closes it. */
export const after =
  (found: (step: Step) => boolean) =>
  (rest: readonly Step[]): number => {
    const last = rest.findLastIndex(found)
    return last === -1
      ? -1
      : rest.findLastIndex((step, index) => index === last || step.closes === rest[last]!.id) + 1
  }
export const firstOf =
  (...places: readonly ((rest: readonly Step[]) => number)[]) =>
  (rest: readonly Step[]): number =>
    places.map((place) => place(rest)).find((index) => index !== -1) ?? -1
export const lampOrCleanse = after(
  (step) =>
    step.phase === 'analysis' || step.phase === 'second-cleanse' || step.phase === 'first-cleanse',
)
export const firstMask = before((step) => step.phase === 'mask')
export const finish = before(
  (step) => step.phase === 'serum' || step.phase === 'eye' || step.phase === 'moisturise',
)

/** The step of a kind, put in from the catalogue where the ladder has none. */
export function having(
  bench: Bench,
  found: (step: Step) => boolean,
  row: string,
  place: (rest: readonly Step[]) => number,
  more: Partial<Step> = {},
): readonly Step[] {
  if (bench.steps.some(found)) return bench.steps
  const index = place(bench.steps)
  return insert(
    bench.steps,
    index === -1 ? bench.steps.length : index,
    fresh(bench, row, undefined, more),
  )
}
export const remove = (bench: Bench, found: (step: Step) => boolean): Step[] =>
  withoutSteps(bench.steps, bench.steps.filter(found))
export const on = (bench: Bench, steps: readonly Step[]): Bench => ({ ...bench, steps })
