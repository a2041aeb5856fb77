import type { Phase } from '../protocol/words'
import { liveAt } from '../perform/live'
import { reduceRun } from '../perform/reduce'
import type { FittedPlan } from '../adapt/plan'
import type { RunEvent } from '../perform/events'

/** How a practitioner's hands have gone, by kind of step: how often it was seen, and the mean log of actual over planned time. */
export interface Pace {
  readonly kinds: Partial<Record<Phase, { readonly n: number; readonly meanLog: number }>>
}
export const NO_PACE: Pace = { kinds: {} }

/** Weight of the prior, in visits: with five seen, half of what was seen counts (computing, risk: log-mean = (n·x̄ + 5·μ₀)/(n + 5)). */
const PRIOR_WEIGHT = 5
/** Before anything is seen, hands are as quick as the card says. */
const PRIOR_LOG_MEAN = 0
/** More than this from the plan is a step that was interrupted, not a pace. */
const FURTHEST_LOG = 1

/** Spread of the log of hands-on time by kind of step (house figures; common practice, no source). */
const SPREAD: Partial<Record<Phase, number>> = {
  extract: 0.3,
  massage: 0.12,
  analysis: 0.25,
  welcome: 0.3,
  close: 0.35,
  device: 0.1,
  enhancement: 0.15,
}
const USUAL_SPREAD = 0.15
export const spreadOf = (kind: Phase): number => SPREAD[kind] ?? USUAL_SPREAD

/** The log-mean used for a kind of step: what was seen, shrunk towards the plan. */
export function logMeanOf(pace: Pace, kind: Phase): number {
  const seen = pace.kinds[kind]
  return seen
    ? (seen.n * seen.meanLog + PRIOR_WEIGHT * PRIOR_LOG_MEAN) / (seen.n + PRIOR_WEIGHT)
    : PRIOR_LOG_MEAN
}

/** What is needed of a plan to know what its time was meant for. */
export type Planned = Pick<FittedPlan, 'segments'> & {
  readonly steps: readonly { readonly id: string; readonly phase: Phase }[]
}

/** The pace that run logs show. Only work whose end somebody said counts: what the clock inferred is the plan itself. */
export function paceOf(
  runs: readonly { readonly plan: Planned; readonly events: readonly RunEvent[] }[],
): Pace {
  const logs = new Map<Phase, number[]>()
  for (const { plan, events } of runs) {
    const state = reduceRun(plan, events)
    const live = liveAt(
      state.plan,
      state,
      state.finishedMs ?? events.reduce((latest, event) => Math.max(latest, event.wallMs), 0),
    )
    for (const step of state.plan.steps) {
      const done = live.segments.filter(
        (part) =>
          part.segment.stepId === step.id &&
          part.segment.hands &&
          part.status === 'done' &&
          part.segment.endS > part.segment.startS,
      )
      const planned = done.reduce(
        (sum, run) => sum + (run.segment.endS - run.segment.startS) * 1000,
        0,
      )
      const actual = done.reduce((sum, run) => sum + Math.max(0, run.toMs - run.fromMs), 0)
      if (planned > 0 && actual > 0)
        logs.set(step.phase, [
          ...(logs.get(step.phase) ?? []),
          Math.max(-FURTHEST_LOG, Math.min(FURTHEST_LOG, Math.log(actual / planned))),
        ])
    }
  }
  return {
    kinds: Object.fromEntries(
      [...logs].map(([kind, seen]) => [
        kind,
        { n: seen.length, meanLog: seen.reduce((sum, finding) => sum + finding, 0) / seen.length },
      ]),
    ),
  }
}
