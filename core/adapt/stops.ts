import type { Client } from '../client/model'
import type { Step } from '../protocol/model'
import { propertyWords, type Property } from '../protocol/words'
import type { Constraint, Effect } from '../safety/rule'
import { touches } from '../safety/touches'
import type { Subject } from '../strength'
import { ZONES, zonesInWords, type ZoneId } from '../skin/zones'
import { distinctWhy, type Why } from './change'
import type { FittedPlan } from './plan'

// Alarms keep their weight: what is said too often is not heard (rules.md, law 16).

/** More than these at once are not read with gloves on. */
export const PINNED_MOST = 3
/** What a hand can still get wrong, the heaviest first; a referral or a visit put off is nobody's hand. */
const BY_HAND: readonly Effect[] = ['stop', 'omit-zone', 'clearance']
/** Health, allergies and skin are of this client; what product, scope, history and hygiene forbid is settled by the fit. */
const OF_THE_CLIENT = /^[ABC]/

const STOPPING: ReadonlySet<Effect> = new Set([...BY_HAND, 'refer', 'postpone'])
const isKnown = (c: Constraint): boolean =>
  STOPPING.has(c.effect) && !c.unasked && !c.soft && c.because !== 'always'
const nameOf = ({ stopsAs, title }: Constraint): string => stopsAs ?? title

/** Today's stops in a few words each: known ones only, rules that always hold left out. */
export const stopsInWords = (inForce: readonly Constraint[]): string[] => [
  ...new Set(inForce.filter(isKnown).map(nameOf)),
]

type HandStop = NonNullable<FittedPlan['handStops']>[number]

/** More words than these for what must not be done are not read either. */
const NAMED_MOST = 3

/** A stop in the making: its cause and place, what of it is on the card, and the steps that is in. */
interface Found {
  readonly weight: number
  readonly name: string
  /** Said as it is: "No pineapple". */
  readonly isWhole: boolean
  readonly inAnyBottle: boolean
  readonly where: string
  readonly properties: readonly Property[]
  readonly stepIds: readonly string[]
}

/**
 * What a hand could still do wrong today, the heaviest first: a stop of this client that is about a step of the card, as the card is
 * written (hands know the card), each with those steps. An ingredient is in any bottle one may reach for: its stop is about every step.
 */
export function handStopsOf(
  inForce: readonly Constraint[],
  written: readonly Step[],
  read: (step: Step) => Subject,
): HandStop[] {
  const subjects = written.map(read)
  const byCause = new Map<string, Found>()
  for (const constraint of inForce) {
    const found = foundIn(constraint, subjects)
    if (!found) continue
    const key = `${found.name}|${found.where}`
    byCause.set(key, together(byCause.get(key), found))
  }
  return [...byCause.values()].sort((a, b) => a.weight - b.weight).map(handStop)
}

function foundIn(c: Constraint, subjects: readonly Subject[]): Found | undefined {
  if (!isKnown(c) || !BY_HAND.includes(c.effect) || !OF_THE_CLIENT.test(c.ruleId)) return undefined
  const about = subjects.filter((subject) => touches(c, subject))
  const inAnyBottle = c.target.family !== undefined
  if (about.length === 0 && !inAnyBottle) return undefined
  const isSome = c.zones !== undefined && c.zones.length < ZONES.length / 2
  return {
    weight: BY_HAND.indexOf(c.effect),
    name: nameOf(c),
    isWhole: c.stopsAs !== undefined,
    inAnyBottle,
    where: isSome ? zonesInWords(c.zones!) : '',
    properties: (c.target.any ?? []).filter((property) =>
      about.some(({ properties }) => properties.has(property)),
    ),
    stepIds: about.map(({ step }) => step.id),
  }
}

const together = (known: Found | undefined, found: Found): Found =>
  known
    ? {
        ...known,
        weight: Math.min(known.weight, found.weight),
        inAnyBottle: known.inAnyBottle || found.inAnyBottle,
        properties: [...new Set([...known.properties, ...found.properties])],
        stepIds: [...new Set([...known.stepIds, ...found.stepIds])],
      }
    : found

/** "No steam, scrub on the cheeks: visible vessels". */
function handStop({ name, isWhole, inAnyBottle, where, properties, stepIds }: Found): HandStop {
  const what = properties.slice(0, NAMED_MOST).map(propertyWords).join(', ')
  const on = where && ` on ${where}`
  const words = isWhole || !what ? `${name}${where && `: ${where}`}` : `No ${what}${on}: ${name}`
  return { words, stepIds: [...stepIds], ...(inAnyBottle ? { inAnyBottle } : {}) }
}

/** The stops pinned in Perform: of those a hand could still do wrong, the heaviest. `ahead`: the steps of the ladder that are not over. */
export function pinnedStops(
  plan: Pick<FittedPlan, 'stops' | 'handStops' | 'written' | 'steps'>,
  ahead: ReadonlySet<string>,
): string[] {
  if (!plan.handStops) return plan.stops.slice(0, PINNED_MOST)
  const kept = new Set(plan.steps.map(({ id }) => id))
  const order = plan.written.steps.map(({ id }) => id)
  const lastOver = order.findLastIndex((id) => kept.has(id) && !ahead.has(id))
  // What was left out is over when something written after it is: until then a hand may come to it by habit.
  const isAhead = (id: string) =>
    kept.has(id) ? ahead.has(id) : ahead.size > 0 && order.indexOf(id) > lastOver
  // Those of a step to come go before what may be in any bottle she reaches for until the end.
  const ofSteps = plan.handStops.filter(({ stepIds }) => stepIds.some(isAhead))
  const ofBottles = plan.handStops.filter((stop) => stop.inAnyBottle && !ofSteps.includes(stop))
  return [...ofSteps, ...(ahead.size > 0 ? ofBottles : [])]
    .slice(0, PINNED_MOST)
    .map(({ words }) => words)
}

/** By which id it is kept that a client was told of something a physician should see: of this rule, for this cause, on these zones. */
const toldAs = (
  { ruleId, because }: Pick<Why, 'ruleId' | 'because'>,
  zones: readonly ZoneId[],
): string => [`told:${ruleId}`, because, ...[...new Set(zones)].sort()].join(':')

/** Whether an id is such a record of a rule. */
export const isToldOf = (id: string, ruleId: string): boolean => id.startsWith(`told:${ruleId}:`)

type Referral = FittedPlan['refer'][number]

/** What somebody else should see, each with how it is kept that the client knows, and that record where there is one: until the cause changes. */
export function referrals(
  inForce: readonly Constraint[],
  { clearances }: Pick<Client, 'clearances'>,
  date: string,
): Referral[] {
  const referring = inForce.filter((c) => c.effect === 'refer' && !c.unasked)
  return distinctWhy(referring).map((why) => {
    const same = referring.filter((c) => c.ruleId === why.ruleId && c.because === why.because)
    const id = toldAs(
      why,
      same.flatMap((c) => c.zones ?? []),
    )
    const told = clearances.find(
      ({ clearance, on, until }) =>
        clearance === id && on <= date && (until === undefined || until >= date),
    )
    return { ...why, toldAs: id, ...(told ? { told: { by: told.by, on: told.on } } : {}) }
  })
}
