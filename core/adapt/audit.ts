import { dequal } from 'dequal'
import { readPlacing } from '../schedule'
import type { Placed } from '../schedule/problem'
import type { Step } from '../protocol/model'
import { planOf } from './compile'
import type { CompileInput, Running } from './input'
import { hasBegun, placingOf } from './ladder'
import { withHygiene } from './lay'
import type { FittedPlan } from './plan'
import { throughRules, type Ruled } from './rules-stage'
import { hungChanges, type Timed } from './time-stage'
import { cutAsTold } from './told-cut'
import { openVisit } from './visit'
import type { Change } from './change'

/** What stands against a plan that was fitted elsewhere; where nothing does, the same ladder in our own words. */
export type Audit =
  | { readonly faults: readonly string[]; readonly plan?: undefined }
  | { readonly faults: readonly []; readonly plan: FittedPlan }

/**
 * Reads a plan that a tablet fitted while its visit ran, and believes nothing of it but its times. The rules, groups and wrong orders are
 * read anew: a step that they would not put there in just that way is a fault, and so is one that is missing (an enhancement in a gap may
 * be), but for what may go for time where somebody has said when the visit ends. Its times are read against every limit, without a search. Everything else of the plan that comes back (reasons, stops, cautions, tray,
 * versions) is made here. `running`: the plan before it, and what had begun when it was fitted.
 */
export function audit(told: FittedPlan, input: CompileInput, running: Running): Audit {
  const visit = openVisit(input, running)
  const ruled = throughRules(visit)
  if (ruled.status !== 'ready') return { faults: ruled.problems }
  const whole = withHygiene(ruled.steps)
  const cut = cutAsTold(told.steps, whole, visit)
  const ladder = cut.steps
  const mayBeMissing = (step: Step): boolean =>
    step.floating !== undefined && !hasBegun(step, running.underway)
  const wrong = stepFaults(plain(told.steps), ladder, mayBeMissing)
  if (wrong.length > 0) return { faults: wrong }
  const kept = new Set(told.steps.map((step) => step.id))
  const steps = ladder.filter((step) => kept.has(step.id))
  const placed = told.segments.map(({ id, startS, endS }) => ({ partId: id, startS, endS }))
  const { breaches, hosts } = readPlacing(placingOf(steps, running.underway), placed)
  if (breaches.length > 0) return { faults: breaches }
  const timed = timedAs(told, { ruled, steps, placed, hosts, cuts: cut.changes })
  return { faults: [], plan: planOf(visit, ruled, timed) }
}

/** A plan comes as JSON: what is not there is not there. */
export const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** Steps that are missing, not the rules' own, in another order, or not as the rules would have them: in sentences. */
export function stepFaults(
  told: readonly Step[],
  ladder: readonly Step[],
  mayBeMissing: (step: Step) => boolean = () => false,
): string[] {
  const toldById = new Map(told.map((step) => [step.id, step]))
  const wanted = new Set(ladder.map((step) => step.id))
  const missing = ladder.filter((step) => !toldById.has(step.id) && !mayBeMissing(step))
  const strange = told.filter((step) => !wanted.has(step.id))
  const common = ladder.filter((step) => toldById.has(step.id))
  const changed = common.filter((step) => !dequal(toldById.get(step.id), plain(step)))
  const faults = [
    ...missing.map(({ title }) => `${title} is missing`),
    ...strange.map(({ title }) => `${title} does not belong to it`),
    ...changed.map((step) => differenceIn(toldById.get(step.id)!, step)),
  ]
  if (faults.length > 0) return faults
  if (told.length > common.length) return ['A step is in it twice']
  const isInOrder = common.every((step, at) => told[at]!.id === step.id)
  return isInOrder ? [] : ['The steps are in another order']
}

/** What a hand would see of the difference; what none would is said as such. */
const SEEN: readonly (readonly [words: string, of: (step: Step) => unknown])[] = [
  ['another product', (step) => [step.product, step.segments.map((part) => part.product)]],
  ['other zones', (step) => [step.zones, step.segments.map((part) => part.zones)]],
  ['other minutes', (step) => step.segments.map(({ minS, usualS, maxS }) => [minS, usualS, maxS])],
  ['another removal', (step) => step.segments.map((part) => [part.tool, part.temperature])],
  ['another device', (step) => step.deviceId],
]

function differenceIn(told: Step, step: Step): string {
  const seen = SEEN.filter(([, of]) => !dequal(plain([of(told)]), plain([of(step)])))
  const words = seen.map(([what]) => what).join(', ')
  return `${step.title}: ${words || 'not as the rules have it'}`
}

interface Told {
  readonly ruled: Ruled
  readonly steps: readonly Step[]
  readonly placed: readonly Placed[]
  readonly hosts: ReadonlyMap<string, string>
  readonly cuts: readonly Change[]
}

function timedAs(told: FittedPlan, { ruled, steps, placed, hosts, cuts }: Told): Timed {
  const placing: Timed['placing'] = {
    ...{ kind: told.proof.kind === 'optimal' ? 'optimal' : 'feasible', hosts, placed },
    makespanS: Math.max(0, ...placed.map((part) => part.endS)),
    stretchS: 0,
    gapS: told.proof.gapS,
    nodes: told.proof.nodes,
  }
  const others = [...ruled.changes, ...leftForRoom(told, steps)]
  const changes = [...others, ...cuts, ...hungChanges(steps, placing)]
  return { status: 'ready', steps, placing, changes, fit: undefined }
}

/** Enhancements that found no mask to hang under there: no limit is touched, and the tablet says why. */
const FOR_ROOM: ReadonlySet<string> = new Set(['S01', 'S02'])
const leftForRoom = (told: FittedPlan, steps: readonly Step[]): Change[] =>
  told.changes.filter(
    ({ kind, stepId, why }) =>
      kind === 'dropped' &&
      why.some(({ ruleId }) => FOR_ROOM.has(ruleId)) &&
      !steps.some((step) => step.id === stepId),
  )
