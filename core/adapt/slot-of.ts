import type { Concern, GoalDetails } from '../client/model'
import { lint } from '../protocol/linter'
import { unrolled } from '../protocol/unroll'
import type { Segment, Step, Variant } from '../protocol/model'
import { inMinutes } from '../quantity/time'
import { goneWith } from '../protocol/family'
import { place } from '../schedule/place'
import type { Placing } from '../schedule/problem'
import type { Subject } from '../strength'
import { ownWhy, type Change } from './change'
import { hasBegun, hostsOf, placingOf, type Underway } from './ladder'
import { resolve, type ResolveInput } from './resolve'
import type { Reservation } from './wish'
import {
  fitsSlot,
  fitToSlot,
  SLOT_LIMIT,
  type SlotChoice,
  type SlotFit,
  type SlotProblem,
} from './slot'

/** Schedule nodes per look: what is proven by then counts, what is merely found counts too. */
const NODES_PER_LOOK = 2000

/** What the slot fit needs to know of a visit whose rules are through. */
export interface Ready {
  readonly steps: readonly Step[]
  readonly goals: readonly Concern[]
  readonly goalDetails?: GoalDetails | undefined
  readonly mustStay: readonly string[]
  /** What the card is for. */
  readonly heart: readonly string[]
  readonly grow: boolean
  readonly daytime: boolean
  readonly reserved: readonly Reservation[]
  readonly read: (step: Step) => Subject
  readonly resolving: Omit<ResolveInput, 'steps'>
  /** A visit that runs: what has begun of it stays as it is. */
  readonly underway?: Underway | undefined
  /** The share of the usual limits. */
  readonly work: number
}

/** A function that fits the same ladder to any slot; schedules once looked at are remembered between slots. */
export function slotFitter(given: Ready): (slotS: number) => SlotFit {
  const ready = withBegunAsItIs(given)
  const { steps, goals, goalDetails, read } = ready
  const seen = new Map<string, number | undefined>()
  const makespan = (now: readonly Step[]): number | undefined => {
    const key = now
      .map((step) => `${step.id}:${step.segments.map((part) => part.usualS).join(',')}`)
      .join('|')
    if (!seen.has(key)) seen.set(key, lengthOfPlacing(now, ready))
    return seen.get(key)
  }
  const problem: Omit<SlotProblem, 'slotS'> = {
    steps,
    goals,
    goalDetails,
    makespan,
    mustStay: new Set(ready.mustStay),
    grow: ready.grow,
    limit: Math.round(SLOT_LIMIT * ready.work),
    isLight: (step) => read(step).properties.has('led'),
    withoutHost: (now) => now.filter((step) => step.floating && hostsOf(step, now).length === 0),
    enhancementsAddS: hungSeconds(steps),
    variants: permittedVariants(ready),
    allowed: allowedOf(ready),
  }
  const withHeart = new Set([...ready.mustStay, ...ready.heart])
  return (slotS) => {
    // What the card is for goes last: only where nothing else ends by the slot.
    const kept = fitToSlot({ ...problem, slotS, mustStay: withHeart })
    const cut = fitsSlot(kept) || ready.heart.length === 0 ? kept : fitToSlot({ ...problem, slotS })
    return asGiven(fitsSlot(cut) ? cut : kept, given)
  }
}

/** Whether the rules and the linter accept what is left of these steps. */
export function allowedOf(ready: Ready): (now: readonly Step[]) => boolean {
  const { steps, read, daytime } = ready
  const wrongBefore = wrongOf(steps, ready)
  return (now) =>
    lint(now.map(read), daytime).every(
      (finding) => finding.level !== 'wrong' || wrongBefore.has(`${finding.id}|${finding.stepId}`),
    ) && holds(now, ready)
}

/** Of a visit that runs: steps that cannot go, because they or what goes with them have begun. */
export function stuckOf(
  steps: readonly Step[],
  underway: Underway | undefined,
): ReadonlySet<string> {
  const goesWithBegun = ({ id }: Step): boolean => {
    const gone = goneWith(steps, new Set([id]))
    return steps.some((step) => gone.has(step.id) && hasBegun(step, underway))
  }
  return new Set(underway ? steps.filter(goesWithBegun).map(({ id }) => id) : [])
}

/** A step that has begun is done as it was begun: neither left out, nor in another way, nor in fewer minutes. */
function withBegunAsItIs(ready: Ready): Ready {
  const { steps, underway, mustStay } = ready
  if (!underway) return ready
  return {
    ...ready,
    grow: false,
    mustStay: [...mustStay, ...stuckOf(steps, underway)],
    steps: steps.map((step) => (hasBegun(step, underway) ? withoutSlack(step) : step)),
  }
}
const withoutSlack = (step: Step): Step => ({
  ...step,
  segments: step.segments.map((part) => ({ ...part, minS: part.usualS })),
})

/** Steps that have begun as they were given. */
function asGiven(fit: SlotFit, { steps, underway }: Ready): SlotFit {
  if (!underway || !fit.best) return fit
  const given = new Map(
    steps.filter((step) => hasBegun(step, underway)).map((step) => [step.id, step]),
  )
  return {
    ...fit,
    best: { ...fit.best, steps: fit.best.steps.map((step) => given.get(step.id) ?? step) },
  }
}

/** What hangs under dwells can stretch them to their limit, and keep hands from mixing meanwhile: no more than that does it add to a visit. */
function hungSeconds(steps: readonly Step[]): number {
  const parts = steps.filter((step) => !step.floating).flatMap((step) => step.segments)
  return parts.reduce((sum, part) => sum + addedAtMost(part), 0)
}

function addedAtMost({ kind, active, usualS, maxS }: Segment): number {
  if (kind === 'prepare') return usualS
  return kind === 'dwell' && !active ? maxS - usualS : 0
}

const wrongOf = (steps: readonly Step[], { read, daytime }: Ready): Set<string> =>
  new Set(
    lint(steps.map(read), daytime)
      .filter((finding) => finding.level === 'wrong')
      .map((finding) => `${finding.id}|${finding.stepId}`),
  )

function lengthOfPlacing(
  steps: readonly Step[],
  { reserved, work, underway }: Ready,
): number | undefined {
  const problem = placingOf(steps, underway, reserved)
  const length = (placing: Placing) =>
    placing.kind === 'optimal' || placing.kind === 'feasible' ? placing.makespanS : undefined
  const makespanS = length(place(problem, NODES_PER_LOOK * work))
  // What lies on the skin may be over its time already: the rest is still placed.
  if (makespanS !== undefined || !underway) return makespanS
  return length(place({ ...problem, overrun: true }, NODES_PER_LOOK * work))
}

/** The rules ask for nothing that has gone and take nothing more out. */
function holds(steps: readonly Step[], { resolving }: Ready): boolean {
  const again = resolve({ ...resolving, steps })
  return (
    again.kind === 'resolved' &&
    again.steps.length === steps.length &&
    again.steps.every((step, at) => step.id === steps[at]!.id)
  )
}

const asVariant = (
  { variants: _, ...step }: Step,
  { id: _id, worth: _worth, ...variant }: Variant,
): Step => unrolled({ ...step, ...variant })

function permittedVariants({
  steps,
  resolving,
  underway,
}: Ready): NonNullable<SlotProblem['variants']> {
  // The tray is laid: nothing is done in another way any more.
  if (underway) return new Map()
  const found = new Map<string, { step: Step; worth: number }[]>()
  for (const step of steps) {
    for (const variant of step.variants ?? []) {
      const swapped = asVariant(step, variant)
      const resolution = resolve({
        ...resolving,
        steps: steps.map((other) => (other === step ? swapped : other)),
      })
      const kept =
        resolution.kind === 'resolved'
          ? resolution.steps.find((other) => other.id === step.id)
          : undefined
      if (
        kept &&
        kept.product?.productId === swapped.product?.productId &&
        kept.deviceId === swapped.deviceId
      )
        found.set(step.id, [...(found.get(step.id) ?? []), { step: kept, worth: variant.worth }])
    }
  }
  return found
}

/** A change that stands for time alone. */
export const isForTime = (change: Change): boolean =>
  change.why.some((why) => why.ruleId in FOR_TIME)
/** A change that cuts something for time: left out, another way, shorter. */
export const isCutForTime = (change: Change): boolean =>
  isForTime(change) && !change.why.some((why) => why.ruleId === 'T04')
const FOR_TIME = { T01: 'left out', T02: 'another way', T03: 'shorter', T04: 'longer' }

function proofWords({ kind, gapWorth, fullWorth }: SlotFit): string {
  switch (kind) {
    case 'optimal':
      return 'No other choice keeps more of what the client wants.'
    case 'feasible':
      return `At most ${Math.ceil((100 * gapWorth) / fullWorth)} % more could be kept; the search ended there.`
    case 'infeasible':
      return 'Even so it is longer than its slot.'
    case 'unfinished':
      return 'Nothing that ends by the slot was found before the search ended.'
  }
}

/** What the slot changed, each with its reason. */
export function slotChanges(
  before: readonly Step[],
  fit: SlotFit & { readonly best: SlotChoice },
  wholeS: number,
  slotS: number,
): Change[] {
  const proof = proofWords(fit)
  const why =
    wholeS > slotS
      ? `Everything together takes ${inMinutes(wholeS)} min and the slot is ${inMinutes(slotS)}. ${proof}`
      : `There is time to spare in a slot of ${inMinutes(slotS)} min.`
  return changesForTime(before, fit.best, why)
}

/** What was left out, done in another way, or shorter or longer for time, each with the same reason. */
export function changesForTime(
  before: readonly Step[],
  best: Pick<SlotChoice, 'dropped' | 'swapped' | 'times'>,
  why: string,
): Change[] {
  const titled = new Map(before.map((step) => [step.id, step.title]))
  const house = (ruleId: string, instead: string) => [
    { ...ownWhy(ruleId, why, instead), basis: 'house' as const },
  ]
  return [
    ...best.dropped.map((id): Change => ({
      kind: 'dropped',
      stepId: id,
      what: `${titled.get(id)} left out for time`,
      why: house('T01', 'Mark it “must stay”, or give the visit more time.'),
    })),
    ...best.swapped.map(({ stepId, title }): Change => ({
      kind: 'swapped',
      stepId,
      what: `${titled.get(stepId)} → ${title}`,
      why: house('T02', 'Mark it “must stay”, or give the visit more time.'),
    })),
    ...best.times.map(({ stepId, fromS, toS }): Change => ({
      kind: 'minutes',
      stepId,
      what: `${titled.get(stepId)}: ${inMinutes(fromS)} → ${inMinutes(toS)} min`,
      why: house(
        toS < fromS ? 'T03' : 'T04',
        toS < fromS
          ? 'Never below what it needs at least.'
          : 'Take the time back in the slot control.',
      ),
    })),
  ]
}
