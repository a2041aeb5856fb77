import { goneWith } from '../protocol/family'
import type { Step } from '../protocol/model'
import type { Placing } from '../schedule/problem'
import { subjectReader } from '../strength'
import { heartOf } from './heart'
import { ownWhy, type Change } from './change'
import { slotSecondsOf, type Running } from './input'
import { partId } from './ladder'
import { makespanOf, placeKeeping, withHygiene, type Kept } from './lay'
import type { FittedPlan } from './plan'
import type { NoPlan, Ruled } from './rules-stage'
import type { SlotFit } from './slot'
import { slotChanges, slotFitter, type Ready } from './slot-of'
import type { Visit } from './visit'

/** A ladder in its times. */
export interface Timed {
  readonly status: 'ready'
  readonly steps: readonly Step[]
  readonly placing: Extract<Placing, { makespanS: number }>
  readonly changes: readonly Change[]
  readonly fit: FittedPlan['fit']
}

/** Places what the rules let through, and cuts it to its slot. */
export function throughTime(visit: Visit, ruled: Ruled): Timed | NoPlan {
  const { input, running } = visit
  const whole = placeKeeping(withHygiene(ruled.steps), running?.underway, input.reserved)
  const cut = cutToSlot(whole, visit)
  const kept =
    cut.steps === whole.steps ? whole : placeKeeping(cut.steps, running?.underway, input.reserved)
  const { steps, placing } = kept
  if (placing.kind === 'infeasible' || placing.kind === 'unfinished') return unplaced(placing)
  // What is left out for time needs no other change.
  const goneForTime = new Set(
    cut.changes.flatMap((change) => (change.kind === 'dropped' ? [change.stepId] : [])),
  )
  const others = [...ruled.changes, ...whole.left].filter(
    (change) => !goneForTime.has(change.stepId),
  )
  const changes = [...others, ...cut.changes, ...hungChanges(steps, placing)]
  return { status: 'ready', steps, placing, changes, fit: cut.fit }
}

function unplaced(placing: Exclude<Placing, { makespanS: number }>): NoPlan {
  return placing.kind === 'infeasible'
    ? { status: 'infeasible', problems: [`These limits clash: ${placing.clash.join('; ')}.`] }
    : { status: 'unfinished', problems: [`No order was found in ${placing.nodes} tries.`] }
}

/** What the slot fit needs to know of these steps of a visit. */
export const readyFor = (
  steps: readonly Step[],
  { input, constraints, written, running }: Visit,
): Ready => ({
  steps,
  goals: input.client.concerns,
  goalDetails: input.client.goalDetails,
  reserved: input.reserved ?? [],
  mustStay: input.fit?.mustStay ?? [],
  heart: heartOf(steps, written),
  grow: input.fit?.grow ?? false,
  daytime: input.daytime,
  work: input.work ?? 1,
  underway: running?.underway,
  read: subjectReader(input.shelf, input.date),
  resolving: { constraints, shelf: input.shelf, overrides: input.overrides, date: input.date },
})

interface Cut {
  readonly steps: readonly Step[]
  readonly changes: readonly Change[]
  readonly fit?: FittedPlan['fit']
}

/** The ladder cut to its slot, where it would run over or may grow. A visit under way is cut only where somebody has said when it has to end: what runs late is re-planned, not taken away. */
function cutToSlot({ steps, placing }: Kept, visit: Visit): Cut {
  const wholeS = makespanOf(placing)
  const slotS = slotSecondsOf(visit.input)
  if (wholeS === undefined || mayNotCut(visit)) return { steps, changes: [] }
  if (wholeS <= slotS && (visit.running || !visit.input.fit?.grow)) return { steps, changes: [] }
  const fit = slotFitter(readyFor(steps, visit))(slotS)
  if (!fit.best) return { steps, changes: [], fit: figuresOf(fit) }
  return {
    steps: fit.best.steps,
    changes: slotChanges(steps, { ...fit, best: fit.best }, wholeS, slotS),
    fit: figuresOf(fit),
  }
}

const mayNotCut = ({ running, input }: Visit): boolean =>
  running !== undefined && input.endS === undefined

function figuresOf(fit: SlotFit): NonNullable<FittedPlan['fit']> {
  const { kind, fullWorth, best, leastS } = fit
  const least = leastS === undefined ? {} : { leastS }
  return { kind, worth: best?.worth ?? 0, fullWorth, gapWorth: fit.gapWorth, ...least }
}

/** How short the visit becomes when nothing that is still open comes. */
export function leastTotal(
  { steps, placing }: Timed,
  perhaps: ReadonlySet<string>,
  running: Running | undefined,
): number {
  if (perhaps.size === 0) return placing.makespanS
  const sure = steps.filter((step) => !perhaps.has(step.id))
  const leastS = makespanOf(placeKeeping(sure, running?.underway).placing)
  return Math.min(placing.makespanS, leastS ?? placing.makespanS)
}

/** Steps that hang on a gate, and what closes them, as far as they are in the visit. */
export function withClosures(ids: readonly string[], steps: readonly Step[]): string[] {
  const hanging = goneWith(steps, new Set(ids))
  return steps
    .filter((step) => ids.includes(step.id) || (step.gate === undefined && hanging.has(step.id)))
    .map((step) => step.id)
}

export function hungChanges(steps: readonly Step[], placing: Timed['placing']): Change[] {
  const proven =
    placing.kind === 'optimal' ? 'proven shortest' : `at most ${placing.gapS} s above the shortest`
  const reason = `Your hands are free meanwhile; it costs no extra minutes. Schedule, ${proven}.`
  const instead = 'Ask first, and wash before you come back to the face.'
  return steps
    .filter((step) => step.floating)
    .map((step) => ({
      kind: 'hung',
      stepId: step.id,
      what: `${step.title} hangs under ${hostOf(step, steps, placing)?.title ?? 'a mask'}`,
      why: [{ ...ownWhy('S00', reason, instead), basis: 'house' as const }],
    }))
}

function hostOf(step: Step, steps: readonly Step[], placing: Timed['placing']): Step | undefined {
  const hostPart = placing.hosts.get(step.id)
  return steps.find((host) => host.segments.some((part) => partId(host, part) === hostPart))
}
