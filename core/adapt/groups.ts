import { goneWith } from '../protocol/family'
import type { Step } from '../protocol/model'
import type { Change } from './change'
import { resolve, type Resolution, type ResolveInput } from './resolve'

export interface GroupsResolved {
  readonly resolution: Resolution
  /** What went because the rest of its group did. */
  readonly left: readonly Change[]
}

/** Resolves; where the rules take one step of a group, the rest of it goes too. */
export function resolveGroups(
  steps: readonly Step[],
  rest: Omit<ResolveInput, 'steps'>,
): GroupsResolved {
  const resolution = resolve({ ...rest, steps })
  if (resolution.kind !== 'resolved') return { resolution, left: [] }
  const kept = new Set(resolution.steps.map((step) => step.id))
  const orphans = orphansOf(steps, kept).filter(
    (step) => !rest.fixed?.some((fixed) => fixed.id === step.id),
  )
  if (orphans.length === 0) return { resolution, left: [] }
  const left = orphans.map((step): Change => ({
    kind: 'dropped',
    stepId: step.id,
    what: `${step.title} left out with its group`,
    why: causeOf(step, steps, resolution.changes)?.why ?? [],
  }))
  const gone = goneWith(steps, new Set(orphans.map((step) => step.id)))
  const remaining = steps.filter((step) => !gone.has(step.id) || !kept.has(step.id))
  const again = resolveGroups(remaining, rest)
  return { resolution: again.resolution, left: [...left, ...again.left] }
}

/** Steps that were kept although another of their group was not. */
function orphansOf(steps: readonly Step[], kept: ReadonlySet<string>): Step[] {
  const taken = steps.filter((step) => step.group && !kept.has(step.id))
  const broken = new Set(taken.map((step) => step.group))
  return steps.filter((step) => kept.has(step.id) && broken.has(step.group))
}

/** The change that broke a step's group. */
function causeOf(
  step: Step,
  steps: readonly Step[],
  changes: readonly Change[],
): Change | undefined {
  const groupOf = (stepId: string) => steps.find((other) => other.id === stepId)?.group
  return changes.find(
    (change) => change.kind === 'dropped' && groupOf(change.stepId) === step.group,
  )
}
