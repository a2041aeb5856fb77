import type { CompileInput, FittedPlan } from '#core/adapt'
import { turnoverAt, type RunState, type Turnover } from '#core/perform'
import { subjectReader } from '#core/strength'

/** The room after a visit, by what was really done in it; undefined while the visit runs. */
export function roomAfter(
  { shelf, date }: Pick<CompileInput, 'shelf' | 'date'>,
  {
    plan,
    finishedMs,
    skipped,
    turned,
  }: Pick<RunState, 'finishedMs' | 'skipped' | 'turned'> & {
    readonly plan: Pick<FittedPlan, 'steps'>
  },
  nowMs: number,
): Turnover | undefined {
  if (finishedMs === undefined) return undefined
  const read = subjectReader(shelf, date)
  const steps = plan.steps.filter(({ id }) => !skipped.has(id))
  const done = new Set(steps.flatMap((step) => [...read(step).properties]))
  const times = new Map([...turned].map(([id, { atMs }]) => [id, atMs]))
  return turnoverAt(done, times, finishedMs, nowMs)
}
