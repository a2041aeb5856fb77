import { prepared, type CompileInput, type FittedPlan } from '#core/adapt'
import { ageOn } from '#core/client'
import {
  nextWindow,
  suggest,
  visitOfCourse,
  type LeverUse,
  type NextWindow,
  type SkinAnswer,
  type Suggestion,
} from '#core/climb'
import type { Course } from '#core/protocol'
import { doneBy, subjectReader } from '#core/strength'

/** When the next visit may be, and where each lever stands then. */
export interface NextVisit extends NextWindow {
  readonly climb: readonly Suggestion[]
  readonly course: CourseToday | undefined
}
/** Where in its course the card stands: which visit this was, of how many; and the card that follows, after the last. */
export interface CourseToday {
  readonly visit: number
  readonly visits: number
  readonly isLast: boolean
  readonly next: string | undefined
}

/** The next visit after this one, as the skin answered. */
export function nextVisit(input: CompileInput, plan: FittedPlan, answer: SkinAnswer): NextVisit {
  const { client, date, history, protocol } = input
  const age = ageOn(client.bornOn, date)
  const done = doneBy(plan.steps, subjectReader(prepared(input).shelf))
  const levers: LeverUse[] = plan.levers
  const at = courseToday(protocol, date, history)
  // After the last visit of a course that nothing follows there is no rhythm to keep.
  const apart = at?.isLast && !at.next ? undefined : protocol.course
  const window = nextWindow(date, { ...done, levers }, age, apart)
  const visits = [...history, { on: date, ...done, answer }]
  const wanted = levers.map(({ lever }) => ({ lever, rung: writtenRung(plan, lever) }))
  return { ...window, course: at, climb: suggest(wanted, visits, window.usual, age) }
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
