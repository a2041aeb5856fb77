import type { Shelf } from '../catalog/model'
import type { Step } from '../protocol/model'
import type { Constraints } from '../safety/constrain'
import type { Constraint } from '../safety/rule'
import { subjectReader, touches, type Subject } from '../safety/subject'
import { distinctWhy, ownWhy, type Change } from './change'
import { insertRequired } from './insert'
import { optionsFor, type Option, type OptionContext } from './options'
import { clashWith, type Clash, type OrderOf } from './together'
import { rungOf } from './levers'

/** A rule waved through for one step, with a reason; only rules that say so can be. */
export interface Override { readonly ruleId: string; readonly stepId: string; readonly reason: string; readonly by: string; readonly at: string }

export type Resolution =
  | { readonly kind: 'resolved'; readonly steps: readonly Step[]; readonly changes: readonly Change[]; readonly triedNodes: number }
  | { readonly kind: 'infeasible'; readonly clashes: readonly Clash[] }
  | { readonly kind: 'stopped'; readonly triedNodes: number }

/** Steps tried before resolving gives up and says so. */
export const NODE_LIMIT = 20_000

/**
 * The law's second half. Preference, in this order: steps are decided by what they are for (essential first, then priority,
 * then written order); each takes its best option (see `optionsFor`) that clashes with none decided before; when none is
 * left the search goes back. Closures follow their cause. Deterministic; `infeasible` only after exhaustion.
 */
export function resolve(written: readonly Step[], constraints: Constraints, shelf: Shelf, overrides: readonly Override[] = [], nodeLimit = NODE_LIMIT): Resolution {
  const read = subjectReader(shelf)
  const context: OptionContext = { shelf, read, constraintsFor: (step) => inForceFor(step, constraints.inForce, overrides) }
  const start = written.map((step) => named(step, read))
  const order = decisionOrder(start)
  const search: Search = { order, start, context, constraints: constraints.inForce, read, orderOf: placesOf(start), nodes: 0, nodeLimit, clashes: [], options: new Map() }
  const chosen = decide(search, 0, new Map())
  if (chosen === 'stopped') return { kind: 'stopped', triedNodes: search.nodes }
  if (!chosen) return { kind: 'infeasible', clashes: distinctClashes(search.clashes) }
  return assemble(start, chosen, search, overrides)
}

/** Places on the card by step id. */
export function placesOf(steps: readonly Pick<Step, 'id'>[]): OrderOf {
  const places = new Map(steps.map((step, at) => [step.id, at]))
  return (step) => places.get(step.id) ?? steps.length
}

/** Names the rung a step is written on, so that later readings of the same plan know it. */
function named(step: Step, read: (step: Step) => Subject): Step {
  if (!step.lever) return step
  const rung = Math.min(5, rungOf(step, read(step).product) ?? step.lever.rung)
  return { ...step, lever: { ...step.lever, rung, writtenRung: step.lever.writtenRung ?? rung } }
}

const inForceFor = (step: Step, inForce: readonly Constraint[], overrides: readonly Override[]): Constraint[] =>
  inForce.filter((constraint) => !(constraint.overridable === 'reason' && overrides.some((o) => o.ruleId === constraint.ruleId && o.stepId === step.id)))

function decisionOrder(steps: readonly Step[]): Step[] {
  const rank = (step: Step) => (step.closes ? 100 : 0) - (step.essential ? 10 : 0) - step.priority
  return steps.map((step, at) => ({ step, at })).sort((a, b) => rank(a.step) - rank(b.step) || a.at - b.at).map(({ step }) => step)
}

interface Search {
  readonly order: readonly Step[]
  readonly start: readonly Step[]
  readonly context: OptionContext
  readonly constraints: readonly Constraint[]
  readonly read: (step: Step) => Subject
  readonly orderOf: OrderOf
  nodes: number
  readonly nodeLimit: number
  readonly clashes: Clash[]
  readonly options: Map<string, ReturnType<typeof optionsFor>>
}
type Chosen = ReadonlyMap<string, Option>

function decide(search: Search, at: number, chosen: Chosen): Chosen | 'stopped' | undefined {
  const step = search.order[at]
  if (!step) return chosen
  const { options, blockedBy } = optionsOnce(search, step, chosen)
  if (options.length === 0) search.clashes.push(...blockedBy.map((constraint) => ({ ruleId: constraint.ruleId, reason: `${step.title}: ${constraint.reason}`, instead: constraint.instead, constraint })))
  const subjects = [...chosen.values()].flatMap((option) => (option.step ? [search.read(option.step)] : []))
  const clashes: Clash[] = []
  for (const option of options) {
    if (++search.nodes > search.nodeLimit) return 'stopped'
    const clash = option.step && clashWith(search.read(option.step), subjects, search.context.constraintsFor(step), search.orderOf)
    if (clash) {
      clashes.push(clash)
      continue
    }
    const next = decide(search, at + 1, new Map(chosen).set(step.id, explained(option, clashes)))
    if (next) return next
  }
  search.clashes.push(...clashes)
  return undefined
}

function optionsOnce(search: Search, step: Step, chosen: Chosen): ReturnType<typeof optionsFor> {
  const cause = step.closes === undefined ? undefined : chosen.get(step.closes)
  if (cause && !cause.step) return { options: [{ step: undefined, changes: [{ kind: 'dropped', stepId: step.id, what: `${step.title} left out with its cause`, why: cause.changes.flatMap((change) => change.why) }] }], blockedBy: [] }
  const known = search.options.get(step.id)
  if (known) return known
  const found = optionsFor(cause ? { ...step, essential: true } : step, search.context)
  // A closure whose product is out or not permitted must not take its cause along where the rules do not ask for it.
  const kept = cause && found.options.length === 0 ? optionsFor({ ...step, essential: false }, search.context) : found
  search.options.set(step.id, kept)
  return kept
}

/** An option taken because better ones clashed with the rest of the visit says so. */
function explained(option: Option, clashes: readonly Clash[]): Option {
  if (clashes.length === 0 || option.changes.length === 0) return option
  const why = distinctClashes(clashes).map((clash) => (clash.constraint ? { ...distinctWhy([clash.constraint])[0]!, reason: clash.reason } : ownWhy(clash.ruleId, clash.reason, clash.instead)))
  const last = option.changes.at(-1)!
  return { ...option, changes: [...option.changes.slice(0, -1), { ...last, why: [...last.why, ...why] }] }
}

function distinctClashes(clashes: readonly Clash[]): Clash[] {
  return [...new Map(clashes.map((clash) => [`${clash.ruleId}|${clash.reason}`, clash])).values()]
}

function assemble(start: readonly Step[], chosen: Chosen, search: Search, overrides: readonly Override[]): Resolution {
  const changes: Change[] = start.flatMap((step) => [...(chosen.get(step.id)?.changes ?? [])])
  const steps = start.flatMap((step) => chosen.get(step.id)?.step ?? [])
  const inserted = insertRequired(steps, search.context, search.constraints)
  return { kind: 'resolved', steps: inserted.steps, changes: [...changes, ...inserted.changes, ...keptAsWritten(start, search, overrides)], triedNodes: search.nodes }
}

function keptAsWritten(start: readonly Step[], search: Search, overrides: readonly Override[]): Change[] {
  return overrides.flatMap((override) => {
    const step = start.find((candidate) => candidate.id === override.stepId)
    const constraint = step && search.constraints.find((c) => c.ruleId === override.ruleId && c.overridable === 'reason' && touches(c, search.read(step)))
    return step && constraint ? [{ kind: 'kept' as const, stepId: step.id, what: `${step.title} kept as written: ${override.reason} (${override.by})`, why: distinctWhy([constraint]) }] : []
  })
}
