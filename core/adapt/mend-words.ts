import type { LintFinding } from '../protocol/linter'
import type { Step } from '../protocol/model'
import { ownWhy, type Change, type ChangeKind } from './change'

/** What mending one wrong order did to a ladder, each step once, with the linter's words as its reason. */
export function mendChanges(
  before: readonly Step[],
  after: readonly Step[],
  { id, says, fix }: LintFinding,
): Change[] {
  const why = [ownWhy(id, says, fix)]
  const change = (kind: ChangeKind, { id: stepId }: Step, what: string): Change => ({
    kind,
    stepId,
    what,
    why,
  })
  const [was, is] = [byId(before), byId(after)]
  const gone = before
    .filter((step) => !is.has(step.id))
    .map((step) => change('dropped', step, `${step.title} left out`))
  const inserted = after
    .filter((step) => !was.has(step.id))
    .map((step) => change('inserted', step, `${step.title} put in`))
  const moved = movedSteps(before, after).map((step) =>
    change('moved', step, `${step.title} comes ${placeOf(step, after)}`),
  )
  const altered = after.flatMap((step) => {
    const earlier = was.get(step.id)
    return earlier
      ? alteredBy(earlier, step).map((kind) => change(kind, step, wordsOf(kind, step)))
      : []
  })
  return [...gone, ...inserted, ...moved, ...altered]
}

const byId = (steps: readonly Step[]) => new Map(steps.map((step) => [step.id, step]))

/** The step that was moved: without it both ladders have one order. */
function movedSteps(before: readonly Step[], after: readonly Step[]): Step[] {
  const [was, is] = [byId(before), byId(after)]
  const orderOf = (steps: readonly Step[], without?: Step): string =>
    steps
      .filter(({ id }) => was.has(id) && is.has(id) && id !== without?.id)
      .map(({ id }) => id)
      .join()
  if (orderOf(before) === orderOf(after)) return []
  const moved = after.find((step) => orderOf(before, step) === orderOf(after, step))
  return moved ? [moved] : []
}

function placeOf(step: Step, steps: readonly Step[]): string {
  const at = steps.findIndex((other) => other.id === step.id)
  const before = steps[at - 1]
  return before ? `after ${before.title}` : 'first'
}

const REMOVAL = 'removal'
function alteredBy(before: Step, after: Step): ChangeKind[] {
  const kinds: ChangeKind[] = []
  if (before.product?.productId !== after.product?.productId) return ['replaced']
  if (before.zones.length !== after.zones.length) kinds.push('zones')
  const [was, is] = [before, after].map(({ segments }) =>
    segments.map(({ usualS }) => usualS).join(),
  )
  if (was !== is) kinds.push('minutes')
  const [off, offNow] = [before, after].map(({ segments }) =>
    segments.map(({ temperature }) => temperature ?? '').join(),
  )
  if (off !== offNow) kinds.push(REMOVAL)
  if ((before.tray?.length ?? 0) !== (after.tray?.length ?? 0)) kinds.push('care')
  return kinds
}

function wordsOf(kind: ChangeKind, step: Step): string {
  if (kind === 'replaced') return `${step.title} instead`
  if (kind === 'zones') return `${step.title}: fewer zones`
  if (kind === 'minutes') return `${step.title}: other minutes`
  if (kind === REMOVAL) return `${step.title}: off cool`
  return `${step.title}: ${step.tray?.at(-1) ?? ''} on its tray`
}
