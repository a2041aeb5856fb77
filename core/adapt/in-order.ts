import { lint, type LintFinding } from '../protocol/linter'
import { goneWith } from '../protocol/family'
import type { Step } from '../protocol/model'
import { subjectReader, type Subject } from '../strength'
import { zonesMeet } from '../skin/zones'
import type { Change } from './change'
import { resolveGroups, type GroupsResolved } from './groups'
import { mend } from './mend'
import { mendChanges } from './mend-words'
import type { Resolution, ResolveInput } from './resolve'

type Resolved = Extract<Resolution, { kind: 'resolved' }>

/** Rounds of mending before resolving says that it has not finished: each round takes one finding away. */
const ROUNDS_MOST = 40
/** Steps tried one after another where nothing mends a finding and something must go. */
const TRIED_MOST = 8

export interface OrderInput extends Omit<ResolveInput, 'steps'> {
  /** The visit ends by daylight. */
  readonly daytime: boolean
}

/** Nothing on the shelf mends a daytime visit without sun protection: that is said, and the treatment is not called off. */
const SAID_ONLY: ReadonlySet<string> = new Set(['L11'])

/**
 * Law 9: resolves, and then mends every wrong order of the ladder that came out: by the linter's own mend where the rules let it stand, else
 * by leaving out what can be spared, the cheapest first. What nothing mends makes the visit impossible, in the linter's words.
 */
export function resolveInOrder(steps: readonly Step[], input: OrderInput): GroupsResolved {
  const first = resolveGroups(steps, input)
  return new Mending(input, steps).through(first)
}

class Mending {
  private readonly read: (step: Step) => Subject
  private readonly begun: ReadonlySet<string>
  private readonly written: ReadonlySet<string>

  constructor(
    private readonly input: OrderInput,
    steps: readonly Step[],
  ) {
    this.read = subjectReader(input.shelf, input.date)
    this.begun = new Set(input.fixed?.map((step) => step.id))
    this.written = new Set(steps.map((step) => step.id))
  }

  through({ resolution, left }: GroupsResolved): GroupsResolved {
    if (resolution.kind !== 'resolved') return { resolution, left }
    let now = resolution
    for (let round = 0; round < ROUNDS_MOST; round++) {
      const wrong = this.wrongOf(now.steps)[0]
      if (!wrong) return { resolution: now, left }
      const next = this.mended(now, wrong) ?? this.without(now, wrong)
      if (!next) return { resolution: { kind: 'infeasible', clashes: [clashOf(wrong)] }, left }
      now = next
    }
    return { resolution: { kind: 'unfinished', triedNodes: now.triedNodes }, left }
  }

  /** Wrong orders that can still be changed: what has begun is as it is. */
  private wrongOf(steps: readonly Step[]): LintFinding[] {
    return lint(steps.map(this.read), this.input.daytime).filter(
      ({ id, level, stepId }) => level === 'wrong' && !SAID_ONLY.has(id) && !this.begun.has(stepId),
    )
  }

  private mended(now: Resolved, wrong: LintFinding): Resolved | undefined {
    const { steps } = now
    const next = mend(wrong, steps, this.input.shelf, this.read)
    if (!next || this.takesEssential(steps, next)) return undefined
    const marked = next.map((step) =>
      steps.some((other) => other.id === step.id) ? step : { ...step, insertedBy: [wrong.id] },
    )
    return this.again(now, wrong, marked)
  }

  /** The ladder without the first step that can be spared and whose going takes the finding away. */
  private without(now: Resolved, wrong: LintFinding): Resolved | undefined {
    const { steps } = now
    const culprit = steps.find((step) => step.id === wrong.stepId)!
    const spared = steps
      .filter((step) => zonesMeet(step.zones, culprit.zones) && this.isSparable(step))
      .sort((a, b) => a.priority - b.priority)
    const tried = [...spared.filter((step) => step === culprit), ...spared].slice(0, TRIED_MOST)
    for (const gone of tried) {
      const left = goneWith(steps, new Set([gone.id]))
      const rest = steps.filter((step) => !left.has(step.id))
      const next = this.again(now, wrong, rest)
      if (next) return next
    }
    return undefined
  }

  private isSparable(step: Step): boolean {
    const isOwn = step.closes === undefined && !step.insertedBy?.length
    return !step.essential && isOwn && !this.begun.has(step.id)
  }

  /** Resolved again; undefined where that leaves as much wrong as before. */
  private again(
    before: Resolved,
    wrong: LintFinding,
    steps: readonly Step[],
  ): Resolved | undefined {
    const { resolution: after, left } = resolveGroups(steps, this.input)
    if (after.kind !== 'resolved') return undefined
    if (this.wrongOf(after.steps).length >= this.wrongOf(before.steps).length) return undefined
    if (this.takesEssential(before.steps, after.steps)) return undefined
    const changes = distinctChanges([
      ...before.changes,
      ...mendChanges(before.steps, after.steps, wrong),
      ...left,
      ...after.changes,
    ])
    return { ...after, changes, triedNodes: before.triedNodes + after.triedNodes }
  }

  /** True where an essential step of the card's own would go, or something that has begun. */
  private takesEssential(before: readonly Step[], after: readonly Step[]): boolean {
    const kept = new Set(after.map((step) => step.id))
    return before.some(
      (step) =>
        !kept.has(step.id) &&
        (this.begun.has(step.id) ||
          (step.essential && step.closes === undefined && this.written.has(step.id))),
    )
  }
}

const clashOf = ({ id, says, fix }: LintFinding) => ({ ruleId: id, reason: says, instead: fix })

/** Changes once each: resolving a fitted ladder again says again what it keeps. */
function distinctChanges(changes: readonly Change[]): Change[] {
  const seen = new Map(changes.map((change) => [`${change.stepId}|${change.what}`, change]))
  return [...seen.values()]
}
