import type { CompileInput } from '../adapt/input'
import type { Property } from '../protocol/words'
import { subjectReader } from '../strength'
import type { RunState } from './state'
import { TURNOVER, type TurnoverTask } from './tables/turnover'

/** A task of a room as it stands: done, wet, being waited for, or to come. Wall-clock milliseconds. */
export interface RoomTask extends Pick<TurnoverTask, 'id' | 'title' | 'how'> {
  readonly status: 'done' | 'wet' | 'next' | 'waits' | 'ahead'
  /** When hands begin, and when they are done with it: as it was said, else as it goes. */
  readonly fromMs: number
  readonly toMs: number
  /** When it is dry or may come out; where nothing stays wet, when hands are done. */
  readonly readyMs: number
}

export interface Turnover {
  readonly tasks: readonly RoomTask[]
  /** When the next client can be led in. */
  readonly freeMs: number
  readonly isDone: boolean
}

/** What a room needs after a visit in which that was done. */
const tasksFor = (done: ReadonlySet<Property>): TurnoverTask[] =>
  TURNOVER.filter(({ if: only }) => only?.some((property) => done.has(property)) ?? true)

/**
 * The turnover of a room at one instant. `turned`: when each task was said to be done. Hands go on in order; a task that has to wait for another one's wet
 * time lets the ones after it go first.
 */
export function turnoverAt(
  properties: ReadonlySet<Property>,
  turned: ReadonlyMap<string, number>,
  finishedMs: number,
  nowMs: number,
): Turnover {
  const open = tasksFor(properties)
  const known = new Map<string, RoomTask>()
  for (const task of open) {
    const toMs = turned.get(task.id)
    if (toMs !== undefined) known.set(task.id, doneAt(task, toMs, nowMs))
  }
  let cursorMs = Math.max(finishedMs, nowMs)
  let isFirst = true
  for (let left = open.filter(({ id }) => !known.has(id)); left.length > 0;) {
    const beginsMs = (task: TurnoverTask) => Math.max(cursorMs, earliestMs(task, known))
    const task = soonest(left, beginsMs, known)
    const fromMs = beginsMs(task)
    const first = fromMs > Math.max(finishedMs, nowMs) ? 'waits' : 'next'
    const status = isFirst ? first : 'ahead'
    known.set(task.id, placed(task, fromMs, status))
    cursorMs = fromMs + task.handsS * 1000
    isFirst = false
    left = left.filter((one) => one !== task)
  }
  const tasks = [...known.values()].sort((a, b) => a.fromMs - b.fromMs || a.toMs - b.toMs)
  const freeMs = Math.max(finishedMs, ...tasks.map(({ readyMs }) => readyMs))
  return { tasks, freeMs, isDone: tasks.every(({ status }) => status === 'done') }
}

/** The first that can begin at once; else the one that can soonest. The last of all stays the last. */
function soonest(
  left: readonly TurnoverTask[],
  beginsMs: (task: TurnoverTask) => number,
  known: ReadonlyMap<string, RoomTask>,
): TurnoverTask {
  const last = TURNOVER.at(-1)!
  const may = left.filter(
    (task) =>
      (task !== last || left.length === 1) && (task.after === undefined || known.has(task.after)),
  )
  return may.reduce((best, task) => (beginsMs(task) < beginsMs(best) ? task : best))
}

const earliestMs = ({ after }: TurnoverTask, known: ReadonlyMap<string, RoomTask>): number =>
  after === undefined ? 0 : (known.get(after)?.readyMs ?? 0)

function doneAt(task: TurnoverTask, toMs: number, nowMs: number): RoomTask {
  const { id, title, how, handsS, wetS = 0 } = task
  const readyMs = toMs + wetS * 1000
  const status = nowMs < readyMs ? 'wet' : 'done'
  return { id, title, how, status, fromMs: toMs - handsS * 1000, toMs, readyMs }
}

function placed(task: TurnoverTask, fromMs: number, status: RoomTask['status']): RoomTask {
  const { id, title, how, handsS, wetS = 0 } = task
  const toMs = fromMs + handsS * 1000
  return { id, title, how, status, fromMs, toMs, readyMs: toMs + wetS * 1000 }
}

/** Hands are done with it, wet or dry. */
export const isTurned = ({ status }: Pick<RoomTask, 'status'>): boolean =>
  status === 'done' || status === 'wet'

/** The room after a visit, by what was really done in it; undefined while the visit runs. */
export function roomAfter(
  { shelf, date }: Pick<CompileInput, 'shelf' | 'date'>,
  {
    plan,
    finishedMs,
    skipped,
    turned,
  }: Pick<RunState, 'plan' | 'finishedMs' | 'skipped' | 'turned'>,
  nowMs: number,
): Turnover | undefined {
  if (finishedMs === undefined) return undefined
  const read = subjectReader(shelf, date)
  const steps = plan.steps.filter(({ id }) => !skipped.has(id))
  const done = new Set(steps.flatMap((step) => [...read(step).properties]))
  const times = new Map([...turned].map(([id, { atMs }]) => [id, atMs]))
  return turnoverAt(done, times, finishedMs, nowMs)
}
