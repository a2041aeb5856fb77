import { newChanges, type Change, type FittedPlan } from '#core/adapt'
import { feltWords, type Live, type RunEvent } from '#core/perform'
import { shortDate } from '~/support/time'
import type { KeptRun } from './run-db'

/** The other end of the finish, in wall-clock milliseconds, while branches are open that may fall away. */
export function earliestFinishMs(
  plan: Pick<FittedPlan, 'open' | 'leastTotalS' | 'totalS'>,
  live: Live,
): number | undefined {
  if (plan.open.length === 0 || plan.leastTotalS >= plan.totalS) return undefined
  return live.finishMs - (plan.totalS - plan.leastTotalS) * 1000
}

/** Less over its end is not worth a word. */
const OVER_LEAST_MIN = 2
/** Minutes that a run goes over its end as it stands; 0 where that is not worth a word. */
export function minutesOver({ finishMs }: Pick<Live, 'finishMs'>, endMs: number): number {
  const over = Math.round((finishMs - endMs) / 60_000)
  return over >= OVER_LEAST_MIN ? over : 0
}

/** For how long a new fit says what it changed. */
const AGAIN_MS = 180_000

interface Fit {
  readonly id: string
  readonly atMs: number
  readonly plan: FittedPlan
  readonly faults: readonly string[]
}

const fitsIn = (events: readonly RunEvent[]): Fit[] =>
  events.flatMap(({ id, wallMs, body }) =>
    body.type === 'replanned'
      ? [{ id, atMs: wallMs, plan: body.plan, faults: body.instead?.faults ?? [] }]
      : [],
  )

const referKey = ({ ruleId, because }: FittedPlan['refer'][number]): string =>
  `${ruleId}:${because}`

/** What the newest fit says that the ladder before it did not: changes, and what somebody else should see; undefined once it is old. */
export interface LastFit {
  readonly changes: readonly Change[]
  readonly refer: FittedPlan['refer']
  /** The server fitted it, because the tablet's ladder broke these limits. */
  readonly faults: readonly string[]
}

/** What the newest fit changed that the ladder before it did not have. `begun`: the plan the run was opened with. */
export function changesOfLastFit(
  events: readonly RunEvent[],
  begun: { readonly planId: string; readonly plan: FittedPlan },
  nowMs: number,
): LastFit | undefined {
  const fits = fitsIn(events)
  const last = fits.at(-1)
  if (!last || nowMs - last.atMs >= AGAIN_MS) return undefined
  // After a reload the visit's plan is this one already; then everything of it is shown.
  const opened = begun.planId === last.id ? undefined : begun.plan
  const earlier = fits.at(-2)?.plan ?? opened
  const referred = new Set(earlier?.refer.map(referKey))
  return {
    changes: newChanges(last.plan.changes, earlier?.changes ?? []),
    refer: last.plan.refer.filter((why) => !why.told && !referred.has(referKey(why))),
    faults: last.faults,
  }
}

/** A tablet's clock that is further off than this shows other times than the next one. */
const OFF_MS = 2000
const A_MINUTE_S = 60
/** How far the clock of this tablet is from the server's, in words; nothing where both show the same. */
export function clockOffWords(behindMs: number): string {
  if (Math.abs(behindMs) <= OFF_MS) return ''
  const seconds = Math.round(Math.abs(behindMs) / 1000)
  const far = seconds < A_MINUTE_S ? `${seconds} s` : `${Math.round(seconds / A_MINUTE_S)} min`
  return `This tablet’s clock is ${far} ${behindMs > 0 ? 'behind' : 'ahead'}.`
}

type Thing = Pick<FittedPlan['steps'][number], 'product' | 'deviceId'>
/** What was felt of a step's product or device at the visit before, in lines with its day. */
export function feltOf(step: Thing | undefined, felt: KeptRun['lastFelt']): string[] {
  const ids = [step?.product?.productId, step?.deviceId]
  return felt
    .filter(({ thingId }) => thingId !== undefined && ids.includes(thingId))
    .map((one) => `${shortDate(one.on)}: ${feltWords(one)}`)
}
