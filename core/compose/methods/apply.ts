import { mend } from '../../adapt/mend'
import type { Shelf } from '../../catalog/model'
import { lint, type LintFinding } from '../../protocol/linter'
import type { Step } from '../../protocol/model'
import { subjectReader } from '../../strength'
import type { School, Rewritten } from './model'
import { METHODS } from '../tables/questions'

/** Rewrites a ladder for one answer to one question, and says what it did. Deterministic; answering twice changes nothing more. */
export function applyMethod(
  steps: readonly Step[],
  question: string,
  schoolId: string,
  shelf: Shelf,
): Rewritten {
  const method = METHODS.find((method) => method.id === question)
  const chosen = method?.schools.find((school) => school.id === schoolId)
  if (!method || !chosen)
    throw new RangeError(`There is no method switch “${question}” with the answer “${schoolId}”.`)
  if (!method.rewrite) return { steps, says: [method.kept!] }
  const read = subjectReader(shelf)
  const rewritten = method.rewrite(
    {
      steps,
      shelf,
      question,
      has: (step, ...any) => any.some((property) => read(step).properties.has(property)),
    },
    schoolId,
  )
  const now = mendNew(steps, rewritten, shelf, read)
  const breaks = newlyWrong(steps, now, read)[0]
  if (breaks)
    return { steps, says: [`Not on this ladder: ${breaks.says}`, breaks.fix], refused: true }
  return { steps: now, says: sayWhat(steps, now, chosen) }
}

/** A rewrite leaves no wrong order behind that it brought in itself and that one touch could mend. */
function mendNew(
  was: readonly Step[],
  rewritten: readonly Step[],
  shelf: Shelf,
  read: Reader,
): readonly Step[] {
  let now = rewritten
  for (let round = 0; round < MOST_MENDS; round++) {
    const mended = newlyWrong(was, now, read)
      .filter((finding) => !TAKES_OUT.includes(finding.id))
      .map((finding) => mend(finding, now, shelf, read))
      .find((steps) => steps !== undefined)
    if (!mended) return now
    now = mended
  }
  return now
}
const MOST_MENDS = 12
/** What is mended by taking something else out is the person's to decide, never a switch's. */
const TAKES_OUT = ['L22', 'L24', 'L25']
type Reader = ReturnType<typeof subjectReader>

/** Wrong orders of the one ladder that the other did not have. */
function newlyWrong(was: readonly Step[], now: readonly Step[], read: Reader): LintFinding[] {
  const wrongOf = (steps: readonly Step[]) =>
    lint(steps.map(read), true).filter((finding) => finding.level === 'wrong')
  const known = new Set(wrongOf(was).map((finding) => `${finding.id}|${finding.stepId}`))
  return wrongOf(now).filter((finding) => !known.has(`${finding.id}|${finding.stepId}`))
}

function sayWhat(was: readonly Step[], now: readonly Step[], { why }: School): string[] {
  const ids = (steps: readonly Step[]) => new Set(steps.map((step) => step.id))
  const [before, later] = [ids(was), ids(now)]
  const added = now.filter((step) => !before.has(step.id))
  const gone = was.filter((step) => !later.has(step.id))
  const changed = now.filter((step) => {
    const old = was.find((before) => before.id === step.id)
    return old && JSON.stringify(old) !== JSON.stringify(step)
  })
  const order = (steps: readonly Step[], other: Set<string>) =>
    steps
      .filter((step) => other.has(step.id))
      .map((step) => step.id)
      .join()
  const names = (list: readonly Step[]) => [...new Set(list.map((step) => step.title))].join(', ')
  return [
    ...(added.length > 0 ? [`In: ${names(added)}.`] : []),
    ...(gone.length > 0 ? [`Out: ${names(gone)}.`] : []),
    ...(changed.length > 0 ? [`Changed: ${names(changed)}.`] : []),
    ...(order(was, later) !== order(now, before) ? ['The order moved.'] : []),
    ...(added.length + gone.length + changed.length === 0 &&
    order(was, later) === order(now, before)
      ? ['The ladder is written so already.']
      : []),
    why,
  ]
}
