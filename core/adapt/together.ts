import type { Step } from '../protocol/model'
import type { Property } from '../protocol/words'
import { isUnfitAfter } from '../protocol/linter-reading'
import type { Constraint } from '../safety/rule'
import { ruleById } from '../safety/rules'
import { touches } from '../safety/touches'
import { isLeaveOn } from '../strength'
import type { Subject } from '../strength'
import { zonesMeet, ZONES, type ZoneId } from '../skin/zones'

/** Why a step cannot be in the visit beside those already chosen. */
export interface Clash {
  readonly ruleId: string
  readonly reason: string
  readonly instead: string
  readonly constraint?: Constraint
  /** Zones without which the step may join. */ readonly leaveOut?: readonly ZoneId[]
}
/** Place of a step on the written card. */
export type OrderOf = (step: Pick<Step, 'id'>) => number

const clash = (ruleId: string): Clash => {
  const { reason, instead } = ruleById(ruleId)
  return { ruleId, reason, instead }
}

/**
 * Rules over the whole visit, for a step about to join those chosen: exfoliation allowance per zone (C15), pairs of steps that
 * do not go together (D06, D07, D13, D18, D19, D20), acid layers on a first visit (E02). Undefined when it may join.
 */
export function clashWith(
  subject: Subject,
  chosen: readonly Subject[],
  constraints: readonly Constraint[],
  orderOf: OrderOf,
): Clash | undefined {
  return (
    pairClash(subject, chosen, orderOf) ??
    drivenTooFar(subject, chosen, { constraints, orderOf }) ??
    retinoidWithAcid(subject, chosen, constraints) ??
    overAllowance(subject, chosen, constraints) ??
    secondLayer(subject, chosen, constraints)
  )
}

const DRIVEN = ['acid', 'retinoid'] as const

/** What drives an acid or a retinoid deeper: ultrasound or current through it, a cover over what stays on, or a surface taken off before it. */
function isDriver(other: Subject, subject: Subject, orderOf: OrderOf): boolean {
  const isBefore = orderOf(other.step) < orderOf(subject.step)
  if (isBefore) return has(other, 'ultrasonic-blade', 'mechanical', 'blade')
  if (!isLeaveOn(subject.step)) return false
  return has(other, 'ultrasound', 'current', 'occlusive')
}

interface Beside {
  readonly constraints: readonly Constraint[]
  readonly orderOf: OrderOf
}

/** A driver on shared zones raises an acid or a retinoid one rung: where that is more than is allowed, one of the two stays away. */
function drivenTooFar(
  subject: Subject,
  chosen: readonly Subject[],
  { constraints, orderOf }: Beside,
): Clash | undefined {
  const pairs = chosen
    .filter((other) => same(other, subject))
    .flatMap((other) => [
      { driven: subject, driver: other },
      { driven: other, driver: subject },
    ])
    .filter(({ driven, driver }) => isDriver(driver, driven, orderOf))
  return pairs.map(({ driven }) => overRung(driven, constraints)).find((clash) => clash)
}

function overRung(driven: Subject, constraints: readonly Constraint[]): Clash | undefined {
  for (const lever of DRIVEN) {
    const rung = driven.levers.find((pulled) => pulled.lever === lever)?.rung
    if (rung === undefined) continue
    const limit = constraints.find(
      (constraint) =>
        constraint.limit?.kind === 'rung' &&
        constraint.limit.lever === lever &&
        rung + 1 > constraint.limit.max &&
        touches(constraint, driven),
    )
    if (!limit) continue
    const { ruleId, reason, instead } = limit
    return {
      ruleId,
      reason: `${reason} It would be driven one rung deeper here.`,
      instead,
      constraint: limit,
    }
  }
  return undefined
}

/** The tightest limit of a kind on a zone. */
function tightest(
  kind: 'exfoliation' | 'retinoid-with-acid',
  zone: ZoneId,
  constraints: readonly Constraint[],
): { readonly max: number; readonly constraint: Constraint } | undefined {
  const limits = constraints.flatMap((constraint) =>
    constraint.limit?.kind === kind && (!constraint.zones || constraint.zones.includes(zone))
      ? [{ max: constraint.limit.max, constraint }]
      : [],
  )
  return limits.sort((a, b) => a.max - b.max)[0]
}

/** Points spent at home before the visit: one rule counts once, whatever it was used for. */
function usedBefore(constraints: readonly Constraint[]): number {
  const byRule = new Map(
    constraints.flatMap((constraint) =>
      constraint.limit?.kind === 'exfoliation-used'
        ? [[constraint.ruleId, constraint.limit.max] as const]
        : [],
    ),
  )
  return [...byRule.values()].reduce((sum, points) => sum + points, 0)
}

function overAllowance(
  subject: Subject,
  chosen: readonly Subject[],
  constraints: readonly Constraint[],
): Clash | undefined {
  const { points } = subject
  if (points === 0) return undefined
  const before = usedBefore(constraints)
  for (const zone of zonesOf(subject)) {
    const spent = before + pointsOf(chosen.filter(isOn(zone)))
    const limit = tightest('exfoliation', zone, constraints)
    if (!limit || spent + points <= limit.max) continue
    const { constraint } = limit
    return {
      ruleId: constraint.ruleId,
      reason: `${constraint.reason} ${spent} spent${before > 0 ? `, ${before} of it at home` : ''}, ${points} more wanted.`,
      instead: constraint.instead,
      constraint,
    }
  }
  return undefined
}

const zonesOf = ({ step }: Subject): ZoneId[] => ZONES.filter((zone) => step.zones.includes(zone))
const isOn =
  (zone: ZoneId) =>
  ({ step }: Subject): boolean =>
    step.zones.includes(zone)
const pointsOf = (subjects: readonly Subject[]): number =>
  subjects.reduce((sum, { points }) => sum + points, 0)
const same = (a: Subject, b: Subject): boolean => zonesMeet(a.step.zones, b.step.zones)
const has = (subject: Subject, ...any: Property[]): boolean =>
  any.some((property) => subject.properties.has(property))
const isAcid = (subject: Subject): boolean => has(subject, 'acid') && has(subject, 'exfoliating')

/** A retinoid and an acid on one zone: not on every skin, and not beyond a measure without calm visits of both (C15r, C15a). */
function retinoidWithAcid(
  subject: Subject,
  chosen: readonly Subject[],
  constraints: readonly Constraint[],
): Clash | undefined {
  for (const zone of zonesOf(subject)) {
    const limit = tightest('retinoid-with-acid', zone, constraints)
    const together = [...chosen.filter(isOn(zone)), subject]
    const both = together.some((one) => has(one, 'retinoid')) && together.some(isAcid)
    if (!limit || !both || pointsOf(together) <= limit.max) continue
    const { ruleId, reason, instead } = limit.constraint
    return { ruleId, reason, instead, constraint: limit.constraint }
  }
  return undefined
}

/** A pair of steps on shared zones that a rule of family D forbids. `ordered`: only when the first is written before the second. */
interface Pair {
  readonly ruleId: string
  readonly ordered: boolean
  readonly first: (subject: Subject) => boolean
  readonly second: (other: Subject, first: Subject) => boolean
  /** The later step may go on elsewhere. */ readonly partly?: true
}

const PAIRS: readonly Pair[] = [
  {
    ruleId: 'D06',
    ordered: false,
    first: isAcid,
    second: (other) => has(other, 'steam') && !has(other, 'steam-cooled'),
  },
  { ruleId: 'D06', ordered: true, first: isAcid, second: (other) => has(other, 'steam-cooled') },
  {
    ruleId: 'D06',
    ordered: false,
    first: (subject) =>
      has(subject, 'enzyme') && has(subject, 'exfoliating') && !steamAllowed(subject),
    second: (other) => has(other, 'steam'),
  },
  {
    ruleId: 'D07',
    ordered: true,
    first: (subject) => has(subject, 'flammable') && isLeaveOn(subject.step),
    second: (other) => has(other, 'spark'),
  },
  {
    ruleId: 'D13',
    ordered: true,
    first: (subject) => has(subject, 'stand-alone'),
    second: (other) => has(other, 'occlusive'),
  },
  {
    ruleId: 'D18',
    ordered: true,
    first: (subject) => has(subject, 'needling', 'blade'),
    second: (other, first) => isUnfitAfter(first, other),
    partly: true,
  },
  {
    ruleId: 'D19',
    ordered: false,
    first: (subject) => has(subject, 'needling', 'blade'),
    second: (other) => isAcid(other) || has(other, 'mechanical', 'scrub', 'suction'),
  },
  { ruleId: 'D20', ordered: true, first: isAcid, second: (other) => has(other, 'self-heating') },
]
/** Steam over an enzyme: where the product softens and a tolerated rung is reached. */
const steamAllowed = (subject: Subject): boolean =>
  has(subject, 'softening') &&
  subject.levers.some(({ lever, rung }) => lever === 'enzyme' && rung >= 2)

function pairClash(
  subject: Subject,
  chosen: readonly Subject[],
  orderOf: OrderOf,
): Clash | undefined {
  for (const pair of PAIRS) {
    const others = chosen.filter(
      (other) =>
        same(subject, other) &&
        (meets(pair, subject, other, orderOf) || meets(pair, other, subject, orderOf)),
    )
    if (others.length > 0)
      return {
        ...clash(pair.ruleId),
        ...(pair.partly ? { leaveOut: others.flatMap((other) => other.step.zones) } : {}),
      }
  }
  return undefined
}
const meets = (pair: Pair, subject: Subject, other: Subject, orderOf: OrderOf): boolean =>
  (!pair.ordered || orderOf(subject.step) < orderOf(other.step)) &&
  pair.first(subject) &&
  pair.second(other, subject)

/** True when a step put in after `one` and before `following` would be part of a forbidden pair. */
export const wouldClash = (subject: Subject, following: readonly Subject[]): boolean =>
  pairClash(subject, following, (step) => (step.id === subject.step.id ? 0 : 1)) !== undefined

function secondLayer(
  subject: Subject,
  chosen: readonly Subject[],
  constraints: readonly Constraint[],
): Clash | undefined {
  const limit = constraints.find((constraint) => constraint.limit?.kind === 'acid-layers')
  if (limit?.limit?.kind !== 'acid-layers' || !isAcid(subject)) return undefined
  const layers = chosen.filter((other) => isAcid(other) && same(other, subject)).length
  if (layers < limit.limit.max) return undefined
  return {
    ruleId: limit.ruleId,
    reason: 'No second acid layer on a first visit.',
    instead: 'One layer, and see how the skin answers.',
    constraint: limit,
  }
}
