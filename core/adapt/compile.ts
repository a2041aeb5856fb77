import { supplyNamed } from '../protocol/tray'
import { trayFor } from '../mixing/tray'
import type { ProtocolVersion, Step } from '../protocol/model'
import { leversDone, subjectReader, type Subject } from '../strength'
import { careItems, cautionsFor } from './care'
import { draftOf } from './draft'
import type { OpenGate } from './gates'
import { heartIn } from './heart'
import type { CompileInput, Running } from './input'
import { segmentsOf } from './lay'
import type { FittedPlan, TrayItem } from './plan'
import { judged } from './status'
import { throughRules, type Ruled } from './rules-stage'
import { leastTotal, throughTime, withClosures, type Timed } from './time-stage'
import { openVisit, type Visit } from './visit'

/**
 * From a written protocol to a fitted plan with reasons. Pure and deterministic. `status` says when there is no plan:
 * `postponed` (a rule says not today), `infeasible` (with the clashing rules or limits), `unfinished` (search limit).
 * With `running` the visit is fitted again from now: what has begun stands as it is.
 */
export function compile(input: CompileInput, running?: Running): FittedPlan {
  const visit = openVisit(input, running)
  const ruled = throughRules(visit)
  if (ruled.status !== 'ready') return { ...draftOf(visit), ...ruled }
  const timed = throughTime(visit, ruled)
  if (timed.status !== 'ready') return { ...draftOf(visit), ...timed }
  return planOf(visit, ruled, timed)
}

/** The plan of a ladder that stands in its times: with its tray, its cautions and what is still open. */
export function planOf(visit: Visit, ruled: Ruled, timed: Timed): FittedPlan {
  const { input, constraints, running } = visit
  const { steps, placing, fit } = timed
  const read = subjectReader(input.shelf, input.date)
  const open = stillOpen(ruled.open, steps)
  const perhaps = new Set(open.flatMap((gate) => gate.stepIds))
  const draft = { ...draftOf(visit), ...(fit ? { fit } : {}), totalS: placing.makespanS }
  const heart = heartIn(steps, ruled.wanted, visit.written)
  // A visit under way is not judged again by its card: what was left out was decided by hand.
  const verdict = running ? {} : judged(draft, heart)
  return {
    ...draft,
    ...verdict,
    heart: { ...heart, stepIds: [...heart.stepIds], lost: heart.lost.map((step) => ({ ...step })) },
    leastTotalS: leastTotal(timed, perhaps, running),
    proof: { kind: placing.kind, gapS: placing.gapS, nodes: placing.nodes },
    steps: [...steps],
    segments: segmentsOf(steps, placing, new Set(open.map((gate) => gate.gateId)), read),
    changes: timed.changes.map((change) => ({
      ...change,
      why: change.why.map((why) => ({ ...why })),
    })),
    cautions: cautionsFor(steps, constraints.inForce, read),
    tray: trayWithCare(visit, steps, read).map((item) =>
      perhaps.has(item.stepId) ? { ...item, perhaps: true } : item,
    ),
    open,
    levers: leversDone(steps, read),
  }
}

/** The gates of the ladder without an answer, each with what hangs on it and what closes that. */
function stillOpen(gates: readonly OpenGate[], steps: readonly Step[]): FittedPlan['open'] {
  return gates
    .map((gate) => ({ ...gate, stepIds: withClosures(gate.stepIds, steps) }))
    .filter((gate) => gate.stepIds.length > 0 || steps.some((step) => step.id === gate.gateId))
}

/** The tray of the ladder, with what the rules lay out at each step behind its own things. */
function trayWithCare(
  { input, constraints }: Visit,
  steps: readonly Step[],
  read: (step: Step) => Subject,
): TrayItem[] {
  const tray = trayFor(steps, input.shelf, input.prep?.size)
  const cares = careItems(steps, constraints.inForce, read)
  return steps.flatMap((step) => [
    ...tray
      .filter((item) => item.stepId === step.id)
      .map(({ supply, ...item }) => ({ ...item, ...(supply ? { supply: { ...supply } } : {}) })),
    ...cares
      .filter((care) => care.stepId === step.id)
      .map(({ name }, at) => careItem(step, name, at)),
  ])
}

function careItem(step: Step, name: string, at: number): TrayItem {
  const supply = supplyNamed(name)
  return {
    id: `${step.id}:care${at}`,
    name,
    count: 1,
    for: step.title,
    stepId: step.id,
    ...(supply ? { supply } : {}),
  }
}

/** The fitted plan read as a protocol again: resolving it gives the plan once more. */
export function asProtocol(plan: FittedPlan, written: ProtocolVersion): ProtocolVersion {
  return { ...written, steps: plan.steps.map((step) => ({ ...step })) }
}
