import type { FittedPlan } from '#core/adapt'
import { liveAt, reduceRun, type Absence, type RunEvent } from '#core/perform'

export interface ActualRow {
  readonly stepId: string
  readonly title: string
  readonly plannedS: number
  readonly actualS: number | undefined
  readonly skipped: string | undefined
}
export interface Actual {
  readonly rows: readonly ActualRow[]
  readonly plannedS: number
  readonly actualS: number | undefined
  readonly felt: readonly string[]
  readonly notes: readonly string[]
  /** What the skin was opened with: step, lot, depth. */
  readonly opened: readonly string[]
  /** How often and how long the client was alone, with the call bell. */
  readonly alone: readonly string[]
  /** Steps whose product was refused, by product, with why. */
  readonly refused: readonly { readonly productId: string; readonly why: string }[]
}

/** Planned against actual, step by step, from the run log; seconds. */
export function plannedAgainstActual(plan: FittedPlan, events: readonly RunEvent[]): Actual {
  const state = reduceRun(plan, events)
  const end =
    state.finishedMs ?? events.reduce((latest, event) => Math.max(latest, event.wallMs), 0)
  // A visit fitted again on the way is told by the ladder it ended with.
  const ladder = state.plan
  const live = liveAt(ladder, state, end)
  const rows = ladder.steps.map((step): ActualRow => {
    const own = live.segments.filter(
      (part) => part.segment.stepId === step.id && part.segment.kind !== 'prepare',
    )
    const done = own.some((run) => run.status === 'done' || run.status === 'inferred')
    const span = Math.max(...own.map((run) => run.toMs)) - Math.min(...own.map((run) => run.fromMs))
    const planned =
      own.reduce((latest, run) => Math.max(latest, run.segment.endS), 0) -
      own.reduce((first, run) => Math.min(first, run.segment.startS), Infinity)
    return {
      stepId: step.id,
      title: step.title,
      plannedS: planned,
      actualS: done ? Math.round(span / 1000) : undefined,
      skipped: state.skipped.get(step.id),
    }
  })
  const actualS =
    state.startedMs !== undefined && state.finishedMs !== undefined
      ? Math.round((state.finishedMs - state.startedMs) / 1000)
      : undefined
  const titleOf = (stepId: string) =>
    ladder.steps.find((step) => step.id === stepId)?.title ?? stepId
  return {
    rows,
    plannedS: plan.totalS,
    actualS,
    notes: state.notes.map((note) => note.text),
    opened: [...state.cartridges].map(
      ([stepId, { lot, depthMm }]) => `${titleOf(stepId)}: cartridge ${lot}, ${depthMm} mm deep`,
    ),
    alone: state.absences.map((one) => aloneWords(one, end)),
    refused: state.refused.map(({ productId, why }) => ({ productId, why })),
    felt: state.sensations.map(
      ({ stepId, sensation, beyond }) =>
        `${titleOf(stepId)}: ${sensation.replaceAll('-', ' ')}${beyond ? ', more than expected' : ''}`,
    ),
  }
}

function aloneWords({ leftMs, cameMs, bell }: Absence, endMs: number): string {
  const minutes = Math.round(((cameMs ?? endMs) - leftMs) / 60_000)
  const lasted = minutes < 1 ? 'less than a minute' : `${minutes} min`
  return `Alone for ${lasted}${bell ? ', call bell within reach' : ''}`
}

/** Steps that were left out, as the run itself reckons it: what lies on the skin cannot be. */
export const leftOutOf = (plan: FittedPlan, events: readonly RunEvent[]): ReadonlySet<string> =>
  new Set(reduceRun(plan, events).skipped.keys())
