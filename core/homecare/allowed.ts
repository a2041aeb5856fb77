import { blocks } from '../adapt'
import type { Product } from '../catalog/model'
import type { HomeRole } from '../catalog/words'
import { isOutsideAhaReview } from '../chemistry'
import { nothingOfTheDay, questionByCode } from '../client'
import type { Suggestion } from '../climb'
import type { Movement, Step } from '../protocol/model'
import { constrain, NO_SETTINGS, RULE_BOOK, touches, withSettings } from '../safety'
import type { Constraint, Constraints } from '../safety'
import { withoutZones, zonesInWords, type ZoneId } from '../skin'
import { subjectReader, type LeverRung, type Subject } from '../strength'
import type { HomeInput } from './input'
import type { HomeWhy } from './model'

/** What is put on at home: a product of the shelf, or a thing of which only the kind is known. */
export interface Thing {
  readonly id: string
  readonly product: Product
  readonly role: HomeRole
  readonly zones: readonly ZoneId[]
  /** Theirs, and not of the shelf: nobody knows its ingredients. */
  readonly isByKind: boolean
}

/** What may go on a client's skin at home: the zones left, or why not. */
export type Judged =
  | { readonly ok: true; readonly zones: ZoneId[]; readonly why: HomeWhy[] }
  | { readonly ok: false; readonly why: HomeWhy }

export interface Judge {
  /** What the rules say of a thing on a day (ISO), by day or in the evening. */
  readonly judge: (thing: Thing, date: string, daytime: boolean) => Judged
  /** Whether light hands may work somewhere. */
  readonly allows: (zones: readonly ZoneId[], movement: Movement, date: string) => boolean
  /** What the climb says of the levers that home care shares. */
  readonly suggestions: readonly Suggestion[]
}

/** About a visit, not about what is done at home: who may do it, the days between visits and one rung at a time (the climb's stops stay), what was used at home before. */
const isOfAVisit = ({ ruleId, effect }: Constraint): boolean =>
  ruleId.startsWith('F') || ruleId === 'A07b' || (ruleId.startsWith('E') && effect !== 'stop')

const HOME_LEVERS: readonly LeverRung[] = [
  { lever: 'acid', rung: 1 },
  { lever: 'retinoid', rung: 1 },
  { lever: 'exfoliation', rung: 1 },
]

/** Reads the client's answers, skin and history once for each day that is asked for. */
export function homeJudge(input: HomeInput): Judge {
  const known = new Map<string, Constraints>()
  function on(date: string, daytime: boolean): Constraints {
    const key = `${date}|${daytime}`
    const found = known.get(key) ?? constraintsOn(input, date, daytime)
    known.set(key, found)
    return found
  }
  return {
    judge: (thing, date, daytime) => judged(thing, on(date, daytime).inForce),
    allows: (zones, movement, date) =>
      against(handsOn(zones, movement), on(date, false).inForce).length === 0,
    suggestions: on(input.date, false).suggestions,
  }
}

function constraintsOn(input: HomeInput, date: string, daytime: boolean): Constraints {
  const { client, reading, history, settings = NO_SETTINGS, medicines } = input
  const facts = [
    ...client.facts.filter(({ code }) => !questionByCode.get(code)?.ofTheDay),
    // A day that has not come has no fever and no fresh shave.
    ...nothingOfTheDay(date),
  ]
  return constrain(withSettings(RULE_BOOK, settings), {
    ...{ reading, history, medicines, date, daytime, levers: HOME_LEVERS },
    client: { ...client, facts },
    majority: settings.majority,
  })
}

/** The thing as a step on its zones, so that rules see of it what they see in a visit. */
export function subjectOf({ id, product, zones }: Thing): Subject {
  const use = product.uses[0]
  const step: Step = {
    ...{ id, phase: use?.phase ?? 'serum', title: product.name, zones: [...zones] },
    product: { productId: product.id, useId: use?.id ?? 'home' },
    properties: [],
    segments: use?.segments ?? [{ id: 'on', kind: 'apply', minS: 30, usualS: 60, maxS: 120 }],
    ...{ essential: false, priority: 1 },
  }
  return subjectReader({ products: [product], devices: [] })(step)
}

const OUTSIDE_REVIEW: HomeWhy = {
  words:
    'Its acid is stronger than a published review finds safe at home (glycolic or lactic to 10 %, pH 3.5 or more).',
}

function judged(thing: Thing, inForce: readonly Constraint[]): Judged {
  if (isOutsideAhaReview({ ...thing.product, home: true }))
    return { ok: false, why: OUTSIDE_REVIEW }
  const found = against(subjectOf(thing), inForce, thing.isByKind)
  const whole = found.find(({ zones }) => !zones)
  if (whole) return { ok: false, why: whyOf(whole) }
  const gone = found.flatMap(({ zones }) => zones ?? [])
  const zones = withoutZones(thing.zones, gone)
  if (zones.length === 0) return { ok: false, why: whyOf(found[0]!) }
  return { ok: true, zones, why: found.map(whereOf) }
}

/** Light hands over cream, as a step. */
const handsOn = (zones: readonly ZoneId[], movement: Movement): Subject =>
  subjectReader({ products: [], devices: [] })({
    ...{ id: movement.id, phase: 'massage', title: movement.id, zones: [...zones] },
    ...{ properties: ['pressure'], movements: [movement], essential: false, priority: 1 },
    segments: [{ id: 'on', kind: 'apply', minS: 30, usualS: 60, maxS: 120 }],
  })

/** What is in force at home against a subject. */
const against = (
  subject: Subject,
  inForce: readonly Constraint[],
  isByKind = false,
): Constraint[] =>
  inForce
    .filter((constraint) => !isOfAVisit(constraint) && touches(constraint, subject))
    .filter((constraint) => isAgainst(constraint, subject, isByKind))

/** What keeps it off: a stop, or a bound that it stands above. Nobody has read the list of what is known by its kind; that is said, and keeps nothing off that they use already. */
function isAgainst(
  constraint: Constraint,
  { levers, points }: Subject,
  isByKind: boolean,
): boolean {
  if (isByKind && constraint.target.unread) return false
  if (blocks(constraint)) return true
  const { limit } = constraint
  if (limit?.kind === 'exfoliation') return points > limit.max
  if (limit?.kind !== 'rung' && limit?.kind !== 'zone-rung') return false
  return levers.some(({ lever, rung }) => lever === limit.lever && rung > limit.max)
}

export const whyOf = ({ title, because, reason, ruleId }: Constraint): HomeWhy => ({
  words: `${title}${because && because !== title ? ` (${because})` : ''}: ${reason}`.slice(0, 400),
  ruleId,
})
const whereOf = (constraint: Constraint): HomeWhy => {
  const { words, ruleId } = whyOf(constraint)
  const not = `Not on ${zonesInWords(constraint.zones ?? [])}. ${words}`
  return { words: not.slice(0, 400), ...(ruleId ? { ruleId } : {}) }
}
