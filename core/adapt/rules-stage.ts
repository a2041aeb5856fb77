import type { Step } from '../protocol/model'
import { asMixed } from '../mixing/card'
import type { Change } from './change'
import { withDeviceLevel } from './device-level'
import { expand, type Expanded } from './expand'
import { throughGates, type Gated, type OpenGate } from './gates'
import { resolveInOrder } from './in-order'
import type { CompileInput, Running } from './input'
import { hasBegun } from './ladder'
import { withStandIns } from './prep'
import { inForceFor, type Resolution } from './resolve'
import { subjectReader } from '../strength'
import { isForTime } from './slot-of'
import { withBlotsTied } from './tied'
import { openVisit, type Visit } from './visit'

/** Why there is no plan: the one way in which a stage leaves early. */
export interface NoPlan {
  readonly status: 'postponed' | 'infeasible' | 'unfinished'
  readonly problems: string[]
  /** Rules behind the problems, where rules are. */
  readonly problemRuleIds?: string[]
}

/** Steps that the rules let through, and why each differs from the card. */
export interface Ruled {
  readonly status: 'ready'
  readonly steps: readonly Step[]
  /** What the visit wanted before any rule: goals, gates and time of day answered. */
  readonly wanted: readonly Step[]
  readonly changes: readonly Change[]
  readonly open: readonly OpenGate[]
}

/** Conditions, choices, gates, stand-ins and rules. */
export function throughRules(visit: Visit): Ruled | NoPlan {
  const { input, running } = visit
  const postponed = postponedBy(visit)
  if (postponed) return postponed
  const { expanded, gated } = wanted(visit)
  const stoodIn = withStandIns(gated.steps, input)
  const { resolution, left } = resolveInOrder(withBlotsTied(takingPart(stoodIn.steps, running)), {
    daytime: input.daytime,
    constraints: visit.constraints,
    shelf: input.shelf,
    overrides: input.overrides,
    date: input.date,
    fixed: begunSteps(running),
  })
  if (resolution.kind !== 'resolved') return unresolved(resolution)
  return {
    status: 'ready',
    wanted: gated.steps,
    steps: asMixed(
      withDeviceLevels(resolution.steps, visit),
      input.shelf,
      input.prep?.waterC ?? {},
    ),
    changes: [
      ...expanded.changes,
      ...gated.changes,
      ...stoodIn.changes,
      ...left,
      ...resolution.changes,
      ...(running?.plan.changes.filter(isForTime) ?? []),
    ],
    open: gated.open,
  }
}

/** What has begun keeps what it may be set to. */
function withDeviceLevels(
  steps: readonly Step[],
  { input, running, constraints }: Visit,
): readonly Step[] {
  const { shelf, history, date, overrides } = input
  const read = subjectReader(shelf, date)
  return steps.map((step) => {
    if (step.deviceId === undefined || hasBegun(step, running?.underway)) return step
    const inForce = inForceFor(step, constraints.inForce, overrides)
    return withDeviceLevel({ subject: read(step), inForce, shelf, history })
  })
}

/** A rule that says not today; a visit that has begun is not postponed. */
function postponedBy({ constraints, running }: Visit): NoPlan | undefined {
  if (running) return undefined
  const postponing = constraints.inForce.filter((c) => c.effect === 'postpone')
  if (postponing.length === 0) return undefined
  const problems = postponing.map((c) => `${c.title}: ${c.reason} ${c.instead}`)
  const ruleIds = postponing.map((c) => c.ruleId)
  return {
    status: 'postponed',
    problems: [...new Set(problems)],
    problemRuleIds: [...new Set(ruleIds)],
  }
}

function unresolved(resolution: Exclude<Resolution, { kind: 'resolved' }>): NoPlan {
  if (resolution.kind === 'infeasible') {
    const problems = resolution.clashes.map(
      (clash) => `${clash.reason} ${clash.instead} (${clash.ruleId})`,
    )
    return { status: 'infeasible', problems }
  }
  const { triedNodes } = resolution
  const problem = `No plan was found in ${triedNodes} tries. Take a step out and fit again.`
  return { status: 'unfinished', problems: [problem] }
}

/** The card with conditions, goals and gates answered: what the visit wants before any rule. */
function wanted({ input, written }: Visit): { expanded: Expanded; gated: Gated } {
  const expanded = expand(written, {
    goals: input.client.concerns,
    daytime: input.daytime,
    firstVisit: input.history.length === 0,
    shelf: input.shelf,
  })
  return { expanded, gated: throughGates(expanded.steps, input.reading, input.gates ?? {}) }
}

/** The steps a visit wants before anything stands in and before any rule: conditions, goals and gates answered. */
export function wantedSteps(given: CompileInput): {
  readonly steps: readonly Step[]
  readonly input: CompileInput
} {
  const visit = openVisit(given)
  return { steps: wanted(visit).gated.steps, input: visit.input }
}

const begunSteps = (running: Running | undefined): readonly Step[] =>
  running?.plan.steps.filter((step) => hasBegun(step, running.underway)) ?? []

/** What takes part again while a visit runs: nothing that was left out, and nothing that its slot had cut comes back or grows again. */
function takingPart(steps: readonly Step[], running: Running | undefined): readonly Step[] {
  if (!running) return steps
  const forTime = running.plan.changes.filter(isForTime)
  const cut = new Set(
    forTime.flatMap((change) => (change.kind === 'dropped' ? [change.stepId] : [])),
  )
  const planned = new Map(
    running.plan.steps
      .filter((step) => forTime.some((change) => change.stepId === step.id))
      .map((step) => [step.id, step]),
  )
  return steps
    .filter((step) => !running.underway.leftOut.has(step.id) && !cut.has(step.id))
    .map((step) => planned.get(step.id) ?? step)
}
