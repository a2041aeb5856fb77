import type { Shelf } from '../catalog/model'
import type { Step } from '../protocol/model'
import type { Constraints } from '../safety/constrain'
import type { Constraint } from '../safety/rule'
import { onRung } from '../strength'
import { withLevers } from '../strength/lower'
import { inTodaysWords } from '../strength/words'
import { subjectReader, type Subject } from '../strength'
import { touches } from '../safety/touches'
import { distinctWhy, type Change } from './change'
import { insertRequired } from './insert'
import type { Option, OptionContext } from './option'
import { clashWith, type Clash, type OrderOf } from './together'
import { blockedClash, distinctClashes, elsewhere, explained } from './resolve-clash'
import { optionsOnce } from './resolve-options'
import type { Begun, Search, Chosen } from './resolve-search'

/** A rule waved through for one step, with a reason; only rules that say so can be. */
export interface Override {
  readonly ruleId: string
  readonly stepId: string
  readonly reason: string
  readonly by: string
  readonly at: string
}

export interface ResolveInput {
  readonly steps: readonly Step[]
  readonly constraints: Constraints
  readonly shelf: Shelf
  readonly overrides?: readonly Override[]
  /** The visit's ISO date, for what has gone off. */
  readonly date?: string
  /** Steps that have begun: they stay as they are and count against every allowance. */
  readonly fixed?: readonly Step[]
  readonly nodeLimit?: number
}

export type Resolution =
  | {
      readonly kind: 'resolved'
      readonly steps: readonly Step[]
      readonly changes: readonly Change[]
      readonly triedNodes: number
    }
  | { readonly kind: 'infeasible'; readonly clashes: readonly Clash[] }
  | { readonly kind: 'unfinished'; readonly triedNodes: number }

/** Steps tried before resolving gives up and says so. */
export const NODE_LIMIT = 20_000

/**
 * The law's second half. Preference, in this order: steps are decided by what they are for (a marked heart, essential, priority,
 * then written order); each takes its best option (see `optionsFor`) that clashes with none decided before; when none is
 * left the search goes back. Closures follow their cause. Deterministic; `infeasible` only after exhaustion.
 */
export function resolve({
  steps,
  constraints,
  shelf,
  overrides = [],
  date,
  fixed = [],
  nodeLimit = NODE_LIMIT,
}: ResolveInput): Resolution {
  const read = subjectReader(shelf, date)
  const begun = new Map(fixed.map((step) => [step.id, step]))
  const context: OptionContext = {
    shelf,
    read,
    constraintsFor: (step) => inForceFor(step, constraints.inForce, overrides),
    allergiesAsked: constraints.allergiesAsked,
  }
  const start = [
    ...fixed,
    ...steps.filter((step) => !begun.has(step.id)).map((step) => named(step, read)),
  ]
  const search: Search = {
    order: decisionOrder(start, begun),
    begun,
    context,
    constraints: constraints.inForce,
    read,
    orderOf: placesOf(start),
    nodes: 0,
    nodeLimit,
    clashes: [],
    options: new Map(),
  }
  const impossible = withoutOptions(search)
  if (impossible.length > 0) return { kind: 'infeasible', clashes: distinctClashes(impossible) }
  const chosen = decide(search, 0, new Map())
  if (chosen === 'unfinished') return { kind: 'unfinished', triedNodes: search.nodes }
  if (!chosen) return { kind: 'infeasible', clashes: distinctClashes(search.clashes) }
  return assemble(start, chosen, search, overrides)
}

/** Places on the card by step id. */
export function placesOf(steps: readonly Pick<Step, 'id'>[]): OrderOf {
  const places = new Map(steps.map((step, at) => [step.id, at]))
  return (step) => places.get(step.id) ?? steps.length
}

/** A step as its card wishes it, with every lever it pulls named: its rung, and the one it stood on as written. */
function named(step: Step, read: (step: Step) => Subject): Step {
  const wished = asWished(step, read(step))
  const { levers: _, ...bare } = wished
  return withLevers(step.levers ? { ...bare, levers: step.levers } : bare, read)
}

/** A card may ask for less than its product and minutes are, never call them less. */
function asWished(step: Step, subject: Subject): Step {
  const { lever: wish } = step
  const now = wish && subject.levers.find(({ lever }) => lever === wish.lever)
  return (now && now.rung > wish.rung && onRung(subject, wish.lever, wish.rung)) || step
}

/** What is in force about a step, what was waved through for it taken out. */
export const inForceFor = (
  step: Step,
  inForce: readonly Constraint[],
  overrides: readonly Override[],
): Constraint[] =>
  inForce.filter(
    (constraint) =>
      !(
        constraint.overridable === 'reason' &&
        overrides.some((o) => o.ruleId === constraint.ruleId && o.stepId === step.id)
      ),
  )

function decisionOrder(steps: readonly Step[], begun: Begun): Step[] {
  const rank = (step: Step) =>
    (begun.has(step.id) ? -1000 : 0) +
    (step.closes ? 100 : 0) -
    (step.heart ? 20 : 0) -
    (step.essential ? 10 : 0) -
    step.priority
  return steps
    .map((step, at) => ({ step, at }))
    .sort((a, b) => rank(a.step) - rank(b.step) || a.at - b.at)
    .map(({ step }) => step)
}

/** Steps that nothing may take, whatever the others do: then there is no need to search. */
function withoutOptions(search: Search): Clash[] {
  return search.order
    .filter((step) => step.closes === undefined && !search.begun.has(step.id))
    .flatMap((step) => {
      const { options, blockedBy } = optionsOnce(search, step, new Map())
      return options.length === 0 ? blockedBy.map(blockedClash(step)) : []
    })
}

function decide(search: Search, at: number, chosen: Chosen): Chosen | 'unfinished' | undefined {
  const step = search.order[at]
  if (!step) return chosen
  // What has begun is on the skin: it is taken as it is, whatever the rules now say.
  if (search.begun.has(step.id))
    return decide(search, at + 1, new Map(chosen).set(step.id, { step, changes: [] }))
  const { options, blockedBy } = optionsOnce(search, step, chosen)
  if (options.length === 0) search.clashes.push(...blockedBy.map(blockedClash(step)))
  const subjects = [...chosen.values()].flatMap((option) =>
    option.step ? [search.read(option.step)] : [],
  )
  const clashes: Clash[] = []
  const queue = [...options]
  for (let option = queue.shift(); option; option = queue.shift()) {
    if (++search.nodes > search.nodeLimit) return 'unfinished'
    const clash =
      option.step &&
      clashWith(
        search.read(option.step),
        subjects,
        search.context.constraintsFor(step),
        search.orderOf,
      )
    if (clash) {
      clashes.push(clash)
      queueElsewhere(queue, option, clash, search)
      continue
    }
    const next = decide(search, at + 1, new Map(chosen).set(step.id, explained(option, clashes)))
    if (next) return next
  }
  search.clashes.push(...clashes)
  return undefined
}

/** The same elsewhere comes next; what protects from the sun is first tried with other products, because it has to be everywhere. */
function queueElsewhere(queue: Option[], option: Option, clash: Clash, search: Search): void {
  const partly = elsewhere(option, clash)
  const protects = option.step && search.read(option.step).properties.has('sun-filter')
  const others = queue.filter(({ step }) => step !== undefined).length
  queue.splice(protects ? others : 0, 0, ...partly)
}

function assemble(
  start: readonly Step[],
  chosen: Chosen,
  search: Search,
  overrides: readonly Override[],
): Resolution {
  const changes: Change[] = start.flatMap((step) => [...(chosen.get(step.id)?.changes ?? [])])
  const steps = start.flatMap((step) => chosen.get(step.id)?.step ?? [])
  const inserted = insertRequired(
    steps.map((step) => (search.begun.has(step.id) ? step : inTodaysWords(step))),
    search.context,
    search.constraints,
  )
  return {
    kind: 'resolved',
    steps: begunFirst(inserted.steps, search.begun),
    changes: [...changes, ...inserted.changes, ...keptAsWritten(start, search, overrides)],
    triedNodes: search.nodes,
  }
}

/** What is put in while a visit runs comes after everything that has begun: nobody goes back in time. */
function begunFirst(steps: readonly Step[], begun: Begun): Step[] {
  return [
    ...steps.filter((step) => begun.has(step.id)),
    ...steps.filter((step) => !begun.has(step.id)),
  ]
}

function keptAsWritten(
  start: readonly Step[],
  search: Search,
  overrides: readonly Override[],
): Change[] {
  return overrides.flatMap((override) => {
    const step = start.find((candidate) => candidate.id === override.stepId)
    const constraint =
      step &&
      search.constraints.find(
        (c) =>
          c.ruleId === override.ruleId &&
          c.overridable === 'reason' &&
          touches(c, search.read(step)),
      )
    return step && constraint
      ? [
          {
            kind: 'kept' as const,
            stepId: step.id,
            what: `${step.title} kept as written: ${override.reason} (${override.by})`,
            why: distinctWhy([constraint]),
          },
        ]
      : []
  })
}
