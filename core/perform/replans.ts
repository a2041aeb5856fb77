import { audit } from '../adapt/audit'
import { compile } from '../adapt/compile'
import type { CompileInput, Running } from '../adapt/input'
import { hasBegun } from '../adapt/ladder'
import type { FittedPlan } from '../adapt/plan'
import { hasLadder } from '../adapt/status'
import type { RunBody, RunEvent } from './events'
import { liveAt } from './live'
import { canonical } from './canonical'
import { reduceRun } from './reduce'
import { inputUnderway } from './said'
import type { RunState } from './state'
import { underwayOf } from './underway'

/** A run as the server knows it. */
export interface RunLog {
  /** The plan it was opened with: fitted here. */
  readonly opened: FittedPlan
  readonly events: readonly RunEvent[]
  /** Events whose plan was read and found good, or was fitted here. */
  readonly good: ReadonlySet<string>
  /** What the visit is fitted from, but for what the run itself has said. */
  readonly input: CompileInput
}

/** What became of a plan that a tablet fitted: kept in our own words, or not, and why. */
export type Judged =
  | { readonly plan: FittedPlan; readonly faults: readonly [] }
  | { readonly plan?: undefined; readonly faults: readonly string[] }

/** A fit on a slow tablet takes no longer: what it was fitted from lies at most so far before its event. */
const FITTED_WITHIN_MS = 60_000

type Replanned = Extract<RunBody, { type: 'replanned' }>

/** Reads the plan of a `replanned` event against every limit, with what was known when it was fitted. */
export function judgeReplan(log: RunLog, event: RunEvent & { body: Replanned }): Judged {
  const { wallMs, body } = event
  const ordered = canonical(log.events)
  const before = ordered.slice(
    0,
    ordered.findIndex(({ id }) => id === event.id),
  )
  const state = reduceRun(log.opened, believed({ ...log, events: before }))
  if (state.startedMs === undefined) return { faults: ['The visit had not begun'] }
  const fromMs = body.fromMs ?? wallMs
  const isNear = fromMs <= wallMs && wallMs - fromMs <= FITTED_WITHIN_MS
  const running = runningOf(state, isNear ? fromMs : wallMs)
  return audit(body.plan, inputUnderway(log.input, state), running)
}

/**
 * The rest of a run fitted here, because what the tablet has is not to be followed. What lies on the skin by that plan alone stays in the ladder
 * until it is off. Where no ladder is left, the one before stands. `refused`: the event whose plan is not followed. What comes at once after it
 * is fitted from the same moment: nothing of the rest has been begun by the clock alone.
 */
export function refitHere(
  log: RunLog,
  refused: RunEvent & { body: Replanned },
  nowMs: number,
): FittedPlan {
  const state = reduceRun(log.opened, believed(log))
  if (state.startedMs === undefined) return state.plan
  const fromMs = isAtOnce(log, refused, nowMs) ? (refused.body.fromMs ?? refused.wallMs) : nowMs
  const running = withLyingOf(refused.body.plan, runningOf(state, fromMs), log, fromMs)
  const next = compile(inputUnderway(log.input, state), running)
  return hasLadder(next) ? next : state.plan
}

/** So soon after a fit that nobody has put anything on without saying so. */
const AT_ONCE_MS = 60_000
const isAtOnce = ({ events }: RunLog, refused: RunEvent, nowMs: number): boolean =>
  nowMs - refused.wallMs <= AT_ONCE_MS &&
  !events.some(
    ({ wallMs, body }) =>
      wallMs > refused.wallMs && (body.type === 'started' || body.type === 'finished'),
  )

/** Events without the plans that were refused. */
const believed = ({ events, good }: Pick<RunLog, 'events' | 'good'>): RunEvent[] =>
  events.filter(({ id, body }) => body.type !== 'replanned' || good.has(id))

const runningOf = (state: RunState, nowMs: number): Running => ({
  plan: state.plan,
  underway: underwayOf(state, liveAt(state.plan, state, nowMs), nowMs),
})

/** With what was put on by a refused plan and is no step of ours: somebody has said that it was begun. */
function withLyingOf(refused: FittedPlan, running: Running, log: RunLog, nowMs: number): Running {
  const { plan, underway } = running
  const state = { ...reduceRun(log.opened, log.events), plan: refused }
  const told = underwayOf(state, liveAt(refused, state, nowMs), nowMs)
  const known = new Set(plan.steps.map((step) => step.id))
  const said = new Set(
    [...state.segments].flatMap(([id, { startedMs }]) => (startedMs === undefined ? [] : [id])),
  )
  const lying = refused.steps.filter(
    (step) =>
      !known.has(step.id) &&
      hasBegun(step, told) &&
      refused.segments.some((part) => part.stepId === step.id && said.has(part.id)),
  )
  if (lying.length === 0) return running
  const own = new Set(lying.map((step) => step.id))
  const pins = refused.segments.flatMap(({ id, stepId }) => {
    const pin = own.has(stepId) ? told.begun.get(id) : undefined
    return pin ? [[id, pin] as const] : []
  })
  return {
    plan: { ...plan, steps: [...plan.steps, ...lying] },
    underway: { ...underway, begun: new Map([...underway.begun, ...pins]) },
  }
}
