import type { FittedPlan } from '../adapt'
import { inMinutes } from '../quantity'
import type { RunEvent } from './events'
import { liveAt } from './live'
import { reduceRun } from './reduce'
import type { Felt, LevelSet, RunState } from './state'
import { SENSATION_WORDS } from './tables/sensations'

/** What the client felt at a visit, and of what. */
export interface FeltThen {
  readonly title: string
  /** The product or device by its id; left out where it was neither. */
  readonly thingId?: string | undefined
  readonly sensation: Felt['sensation']
  /** Seconds since that step first touched. */
  readonly atS: number
  readonly beyond?: true | undefined
  readonly strong?: true | undefined
}
/** What somebody who performs the next visit wants to know of the last one, in the order in which it was said. */
export interface LastTime {
  readonly felt: readonly FeltThen[]
  readonly leftOut: readonly { readonly title: string; readonly why: string }[]
  /** What was repeated more than once until its sign showed. */
  readonly passes: readonly { readonly title: string; readonly passes: number }[]
  readonly levels: readonly (Omit<LevelSet, 'stepId' | 'atMs'> & { readonly title: string })[]
}

/** A visit as it went, for the next one: from the ladder it was begun with and its log. */
export function lastTime(plan: FittedPlan, events: readonly RunEvent[]): LastTime {
  const state = reduceRun(plan, events)
  const { steps } = state.plan
  const titleOf = (stepId: string) => steps.find(({ id }) => id === stepId)?.title
  const titled = <Said extends { readonly stepId: string }, Told>(
    said: readonly Said[],
    tell: (one: Said, title: string) => Told,
  ): Told[] =>
    said.flatMap((one) => {
      const title = titleOf(one.stepId)
      return title === undefined ? [] : [tell(one, title)]
    })
  const begun = beginnings(state)
  return {
    felt: titled(state.sensations, (felt, title) => feltThen(felt, title, { state, begun })),
    leftOut: titled(
      [...state.skipped].map(([stepId, why]) => ({ stepId, why })),
      ({ why }, title) => ({ title, why }),
    ),
    passes: titled(loops(state), ({ passes }, title) => ({ title, passes })),
    levels: titled(state.levels, ({ stepId: _, atMs: __, ...level }, title) => ({
      ...level,
      title,
    })),
  }
}

type Run = RunState<FittedPlan>

/** When each step first touched: as it was said, else as the clock has it. */
function beginnings(state: Run): ReadonlyMap<string, number> {
  const endMs = state.events.reduce((latest, { wallMs }) => Math.max(latest, wallMs), 0)
  const begun = new Map<string, number>()
  for (const { segment, fromMs } of liveAt(state.plan, state, endMs).segments) {
    if (segment.kind === 'prepare') continue
    const touchedMs = state.segments.get(segment.id)?.startedMs ?? fromMs
    begun.set(segment.stepId, Math.min(begun.get(segment.stepId) ?? Infinity, touchedMs))
  }
  return begun
}

/** How somebody lies, and what a towel does, is of no product. */
const OF_NO_THING: ReadonlySet<Felt['of']> = new Set<Felt['of']>(['position', 'heat'])

function feltThen(
  { stepId, sensation, atMs, of, thingId, beyond, strong }: Felt,
  title: string,
  { state, begun }: { readonly state: Run; readonly begun: ReadonlyMap<string, number> },
): FeltThen {
  const step = state.plan.steps.find(({ id }) => id === stepId)
  const thing = thingId ?? step?.product?.productId ?? step?.deviceId
  const sinceMs = begun.get(stepId) ?? state.startedMs ?? atMs
  return {
    title,
    ...(thing === undefined || OF_NO_THING.has(of) ? {} : { thingId: thing }),
    sensation,
    atS: Math.max(0, Math.round((atMs - sinceMs) / 1000)),
    ...(beyond ? { beyond } : {}),
    ...(strong ? { strong } : {}),
  }
}

/** How many passes each repeated part took, the first among them; those of one alone are as usual. */
function loops({ passes, plan }: Run): { stepId: string; passes: number }[] {
  return plan.segments.flatMap(({ id, stepId, loop }) => {
    const more = passes.filter(({ segmentId }) => segmentId === id).length
    return loop && more > 0 ? [{ stepId, passes: Math.min(loop.most, 1 + more) }] : []
  })
}

/** "stinging at 2 min, more than expected"; under a minute in seconds. */
export function feltWords({ sensation, atS, beyond, strong }: Omit<FeltThen, 'title'>): string {
  const at = atS < 60 ? `${atS} s` : `${inMinutes(atS)} min`
  const more = [strong ? 'strong' : '', beyond ? 'more than expected' : ''].filter(Boolean)
  return [`${SENSATION_WORDS[sensation].toLowerCase()} at ${at}`, ...more].join(', ')
}
