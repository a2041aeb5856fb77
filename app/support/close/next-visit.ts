import { prepared, type CompileInput, type FittedPlan } from '#core/adapt'
import { ageOn } from '#core/client'
import {
  CALM_ANSWER,
  nextWindow,
  suggest,
  visitOfCourse,
  type LeverUse,
  type NextWindow,
  type PastVisit,
  type Suggestion,
} from '#core/climb'
import type { Course } from '#core/protocol'
import { doneBy, subjectReader } from '#core/strength'

/** When the next visit may be, and where each lever stands then. */
export interface NextVisit extends NextWindow {
  readonly climb: readonly NextRung[]
  readonly course: CourseToday | undefined
}
export interface NextRung extends Suggestion {
  /** The rung it may go up to, should the skin be told calm a day or more after; undefined where that changes nothing, or is known already. */
  readonly ifCalm: number | undefined
}
/** Where in its course the card stands: which visit this was, of how many; and the card that follows, after the last. */
export interface CourseToday {
  readonly visit: number
  readonly visits: number
  readonly isLast: boolean
  readonly next: string | undefined
}

/** The next visit after this one, with what the skin showed on leaving and answered since. */
export function nextVisit(
  input: CompileInput,
  plan: FittedPlan,
  told: Pick<PastVisit, 'answer' | 'leaving'>,
): NextVisit {
  const { client, date, history, protocol } = input
  const age = ageOn(client.bornOn, date)
  const done = doneBy(plan.steps, subjectReader(prepared(input).shelf))
  const levers: LeverUse[] = plan.levers
  const at = courseToday(protocol, date, history)
  // After the last visit of a course that nothing follows there is no rhythm to keep.
  const apart = at?.isLast && !at.next ? undefined : protocol.course
  const window = nextWindow(date, { ...done, levers }, age, apart)
  const wanted = levers.map(({ lever }) => ({ lever, rung: writtenRung(plan, lever) }))
  const climbWith = (said: Pick<PastVisit, 'answer' | 'leaving'>) =>
    suggest(wanted, [...history, { on: date, ...done, ...said }], window.usual, age)
  const calm = climbWith({ ...told, answer: told.answer ?? CALM_ANSWER })
  const climb = climbWith(told).map((next, nth) => {
    const { move, rung } = calm[nth]!
    return { ...next, ifCalm: move === 'up' && rung > next.rung ? rung : undefined }
  })
  return { ...window, course: at, climb }
}

function courseToday(
  { course, protocolId }: { readonly course?: Course | undefined; readonly protocolId: string },
  date: string,
  history: CompileInput['history'],
): CourseToday | undefined {
  if (!course) return undefined
  const { visits, next } = course
  const visit = visitOfCourse(course, protocolId, date, history)
  return { visit, visits, isLast: visit === visits, next }
}

/** How far up the card itself would go. */
const writtenRung = (plan: FittedPlan, lever: LeverUse['lever']): number =>
  Math.max(
    1,
    ...plan.steps.flatMap(
      (step) => step.levers?.find((pulled) => pulled.lever === lever)?.writtenRung ?? [],
    ),
  )

/** What a lever does next, in a word with its sign. */
export const MOVE_WORDS: Readonly<Record<Suggestion['move'], string>> = {
  first: '·',
  up: '↑ up',
  hold: '= same',
  down: '↓ down',
  restart: '⟲ from 1',
  stop: '⊘ stop',
  wait: '… waits',
  free: '≈ by feeling',
}
export const MOVE_CLASSES: Readonly<Record<Suggestion['move'], string>> = {
  first: 'text-soft',
  up: 'text-calm font-semibold',
  hold: 'text-soft',
  down: 'text-mind font-semibold',
  restart: 'text-soft',
  stop: 'text-mind font-semibold',
  wait: 'text-soft',
  free: 'text-soft',
}
