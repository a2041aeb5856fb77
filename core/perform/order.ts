import type { FittedPlan } from '../adapt/plan'
import { newChanges, type Change } from '../adapt/change'
import type { Step } from '../protocol/model'
import type { Phase } from '../protocol/words'
import { isUntouched } from './refusing'
import type { SegmentLog } from './state'
import { STRETCHES, type Stretch } from './tables/stages'
import type { LiveSegment } from './walk'

/** A step that hands take right after another one, otherwise than the card has it. */
export interface Called {
  readonly stepId: string
  readonly after: string
}

type Order = Pick<Step, 'id' | 'closes'>

/** A step with what closes it, and what closes that. */
function withClosers(steps: readonly Order[], stepId: string): Set<string> {
  const block = new Set([stepId])
  for (let before = 0; before !== block.size;) {
    before = block.size
    for (const { id, closes } of steps) if (closes && block.has(closes)) block.add(id)
  }
  return block
}

/** The last of a step and what directly follows to close it: nothing comes between them. */
function endOfBlock(steps: readonly Order[], at: number): number {
  const block = withClosers(steps, steps[at]!.id)
  const rest = steps.slice(at).findIndex(({ id }) => !block.has(id))
  return rest === -1 ? steps.length - 1 : at + rest - 1
}

/** Steps in the order that was called, one call after the other; what closes a step comes along. What the card does not have moves nothing. */
export function inCalledOrder<One extends Order>(
  steps: readonly One[],
  called: readonly Called[],
): readonly One[] {
  return called.reduce<readonly One[]>((now, { stepId, after }) => {
    const block = withClosers(now, stepId)
    const rest = now.filter(({ id }) => !block.has(id))
    const at = rest.findIndex(({ id }) => id === after)
    if (at === -1 || rest.length === now.length) return now
    const moved = now.filter(({ id }) => block.has(id))
    const end = endOfBlock(rest, at) + 1
    return [...rest.slice(0, end), ...moved, ...rest.slice(end)]
  }, steps)
}

type Placed = Pick<FittedPlan, 'steps' | 'segments'>

const stretchOf = (phase: Phase): Stretch => STRETCHES.find(({ phases }) => phases.includes(phase))!
/** Why two steps keep their order; undefined where hands may change it. */
function boundTo(phase: Phase, other: Phase): string | undefined {
  const [here, there] = [stretchOf(phase), stretchOf(other)]
  if (here !== there) return here.keeps ?? there.keeps
  return phase === other ? undefined : here.keeps
}

/** When hands put on the first of a step. */
const onS = ({ segments }: Pick<FittedPlan, 'segments'>, stepId: string): number | undefined =>
  segments.find((part) => part.stepId === stepId && part.kind !== 'prepare')?.startS

/** What can change places now. */
export interface Callable {
  /** Steps that have a place of their own in the order and have not touched yet, as hands come to them. */
  readonly ids: readonly string[]
  /** What comes right before the first of them, where the card has it. */
  readonly after?: string
}
export function callable(
  plan: Placed,
  live: { readonly segments: readonly LiveSegment[] },
  told: { readonly segments: ReadonlyMap<string, SegmentLog> },
  written: readonly Pick<Step, 'id'>[],
): Callable {
  const own = new Set(written.map(({ id }) => id))
  const inOrder = plan.steps
    .filter(({ id, floating }) => !floating && own.has(id))
    .map(({ id }) => id)
    .sort((a, b) => (onS(plan, a) ?? 0) - (onS(plan, b) ?? 0))
  const free = new Set(inOrder.filter((id) => isUntouched(live, told, id)))
  // What closes one of them goes along with it.
  const goesAlong = (id: string) => free.has(plan.steps.find((one) => one.id === id)?.closes ?? '')
  const ids = [...free].filter((id) => !goesAlong(id))
  const after = inOrder[inOrder.indexOf(ids[0] ?? '') - 1]
  return { ids, ...(after === undefined ? {} : { after }) }
}

/**
 * Why a step cannot be taken there, read off the plan that was fitted for it: the rule that moved it back or took something out for it, the gate it
 * waits for, or that hands come to it no sooner. Undefined: it stands as it was called, and nothing else was given up for it.
 */
export function whyNotThere(
  { stepId, after }: Called,
  before: Placed & Pick<FittedPlan, 'changes'>,
  next: Placed & Pick<FittedPlan, 'changes'>,
): string | undefined {
  const step = next.steps.find(({ id }) => id === stepId)
  const kept = new Set(next.steps.map(({ id }) => id))
  const isWhole = before.steps.every(({ id }) => kept.has(id))
  if (!step || !isWhole || next.steps.length > before.steps.length)
    return (
      reasonOf(newChanges(next.changes, before.changes)) ??
      'Something else would have to go for it.'
    )
  const gate = next.steps.find(({ id, checks }) => id === step.onlyIf?.gate || checks === stepId)
  const here = onS(next, stepId)!
  if (gate && here < onS(next, gate.id)!) return `It waits for: ${gate.title}.`
  const block = withClosers(next.steps, stepId)
  const others = next.steps.filter(({ floating, id }) => !floating && !block.has(id))
  const isBefore = (plan: Placed, id: string) => onS(plan, id)! < onS(plan, stepId)!
  const passed = others.filter(({ id }) => isBefore(before, id) !== isBefore(next, id))
  const bound = passed.flatMap((other) => boundTo(step.phase, other.phase) ?? [])[0]
  if (bound) return bound
  const last = others
    .filter(({ id }) => isBefore(next, id))
    .sort((a, b) => onS(next, a.id)! - onS(next, b.id)!)
    .at(-1)
  if (last && withClosers(next.steps, after).has(last.id)) return undefined
  return (
    reasonOf(newChanges(next.changes, before.changes)) ??
    'What lies on the skin, or what has to come before it, keeps it where it is.'
  )
}

const reasonOf = ([change]: readonly Change[]): string | undefined =>
  change && [change.what, change.why[0]?.reason].filter(Boolean).join(': ')
