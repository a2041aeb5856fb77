import { compile, type CompileInput, type FittedPlan, type Running } from '#core/adapt'
import { liveAt, reduceRun, underwayOf, type RunBody, type RunEvent } from '#core/perform'

/** The moment at which every run of the tests begins. */
export const START = Date.UTC(2026, 10, 24, 8)

/** An event of one tablet, so many seconds after the start. */
export const event = (n: number, second: number, body: RunBody): RunEvent => ({
  id: `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`,
  deviceId: 'a',
  seq: n,
  wallMs: START + second * 1000,
  elapsedMs: n,
  body,
})

/** First touches of what acts at once, cartridges, removals and gates said when they are due, everything else by the clock, until `second`. */
export function performed(plan: FittedPlan, second: number): RunEvent[] {
  const touched = touchedFirst(plan)
  const said = plan.segments.filter(
    (part) =>
      part.hands &&
      (part.kind === 'remove' || part.gate || touched.has(part.id)) &&
      part.startS <= second,
  )
  const opens = plan.segments.filter((part) => part.asksLot && part.startS <= second)
  return [
    event(1, 0, { type: 'start' }),
    ...opens.map(({ stepId, startS }, n) =>
      event(700 + n, startS, { type: 'cartridge', stepId, lot: 'L 1', depthMm: 0.2 }),
    ),
    ...said.flatMap((one, n) => [
      event(10 + 2 * n, one.startS, { type: 'started', segmentId: one.id }),
      ...(one.endS <= second
        ? [event(11 + 2 * n, one.endS, { type: 'finished', segmentId: one.id })]
        : []),
    ]),
  ]
}

/** A plan and what of it has begun at a second, by what was said and by the clock. */
export function runningAt(plan: FittedPlan, events: readonly RunEvent[], second: number): Running {
  const state = reduceRun(plan, events)
  const now = START + second * 1000
  return { plan, underway: underwayOf(state, liveAt(plan, state, now), now) }
}

/** The rest of a visit fitted again. */
export const again = (
  given: CompileInput,
  plan: FittedPlan,
  events: readonly RunEvent[],
  second: number,
): FittedPlan => compile(given, runningAt(plan, events, second))

/** What is put on first, coat after coat, right before a dwell that runs from its first touch. */
export function touchedFirst({ segments }: Pick<FittedPlan, 'segments'>): Set<string> {
  const before = (part: { stepId: string; startS: number }) =>
    segments.find(
      ({ stepId, kind, endS }) =>
        stepId === part.stepId && kind === 'apply' && endS === part.startS,
    )
  const firstOf = (part: FittedPlan['segments'][number]): FittedPlan['segments'][number] => {
    const earlier = before(part)
    return earlier ? firstOf(earlier) : part
  }
  return new Set(segments.filter(({ fromTouch }) => fromTouch).map((dwell) => firstOf(dwell).id))
}
