import type { Step } from '../protocol/model'
import type { Constraint } from '../safety/rule'
import type { Subject } from '../safety/subject'
import { sharedZones, ZONES, type ZoneId } from '../skin/zones'
import { exfoliationPoints, isLeaveOn, rungOf } from './levers'

/** Why a step cannot be in the visit beside those already chosen. */
export interface Clash { readonly ruleId: string; readonly reason: string; readonly instead: string; readonly constraint?: Constraint }

const allowanceOf = (zone: ZoneId, constraints: readonly Constraint[]): { max: number; constraint: Constraint | undefined } => {
  const limits = constraints.filter((constraint) => constraint.limit?.kind === 'exfoliation' && (!constraint.zones || constraint.zones.includes(zone)))
  const tightest = limits.reduce<Constraint | undefined>((least, constraint) => (!least || constraint.limit!.max < least.limit!.max ? constraint : least), undefined)
  return { max: tightest?.limit?.max ?? Infinity, constraint: tightest }
}

/** Place of a step on the written card. */
export type OrderOf = (step: Pick<Step, 'id'>) => number

/**
 * Rules over the whole visit, for a step about to join those chosen: exfoliation allowance per zone (C15), acid and steam
 * never and enzyme with steam only where allowed (D06), nothing flammable under a spark (D07), acid layers on a first visit
 * (E02). Undefined when it may join.
 */
export function clashWith(subject: Subject, chosen: readonly Subject[], constraints: readonly Constraint[], orderOf: OrderOf): Clash | undefined {
  return overAllowance(subject, chosen, constraints) ?? steamClash(subject, chosen) ?? sparkClash(subject, chosen, orderOf) ?? secondLayer(subject, chosen, constraints)
}

function overAllowance(subject: Subject, chosen: readonly Subject[], constraints: readonly Constraint[]): Clash | undefined {
  const points = exfoliationPoints(subject)
  if (points === 0) return undefined
  for (const zone of ZONES.filter((candidate) => subject.step.zones.includes(candidate))) {
    const spent = chosen.filter((other) => other.step.zones.includes(zone)).reduce((sum, other) => sum + exfoliationPoints(other), 0)
    const { max, constraint } = allowanceOf(zone, constraints)
    if (spent + points <= max || !constraint) continue
    return { ruleId: constraint.ruleId, reason: `${constraint.reason} ${spent} spent, ${points} more wanted.`, instead: constraint.instead, constraint }
  }
  return undefined
}

const same = (a: Step, b: Step): boolean => sharedZones(a.zones, b.zones).length > 0

function steamClash(subject: Subject, chosen: readonly Subject[]): Clash | undefined {
  const steams = subject.properties.has('steam')
  const other = chosen.find((candidate) => same(candidate.step, subject.step) && (steams ? candidate : subject).properties.has('exfoliating') && (steams ? subject : candidate).properties.has('steam'))
  if (!other) return undefined
  const active = steams ? other : subject
  if (active.properties.has('acid')) return { ruleId: 'D06', reason: 'Steam drives an acid deeper than it is meant to go: never both in one visit.', instead: 'A hydrating concentrate softens without heat.' }
  const allowed = active.properties.has('softening') && (rungOf(active.step, active.product) ?? 1) >= 2
  if (!active.properties.has('enzyme') || allowed) return undefined
  return { ruleId: 'D06', reason: 'Steam over an enzyme only where the product allows it and the rung is tolerated.', instead: 'A hydrating concentrate softens without heat.' }
}

/** D07: high frequency sparks; what burns must not lie on the skin before it. Taken off again, it is gone. */
export function sparkClash(subject: Subject, chosen: readonly Subject[], orderOf: OrderOf): Clash | undefined {
  const lies = (one: Subject): boolean => one.properties.has('flammable') && isLeaveOn(one.step)
  const meets = (burning: Subject, spark: Subject): boolean => lies(burning) && spark.properties.has('spark') && same(burning.step, spark.step) && orderOf(burning.step) < orderOf(spark.step)
  if (!chosen.some((other) => meets(other, subject) || meets(subject, other))) return undefined
  return { ruleId: 'D07', reason: 'High frequency sparks: nothing flammable may lie on the skin before it.', instead: 'A product without alcohol before it, or calm with cold instead.' }
}

function secondLayer(subject: Subject, chosen: readonly Subject[], constraints: readonly Constraint[]): Clash | undefined {
  const limit = constraints.find((constraint) => constraint.limit?.kind === 'acid-layers')
  if (!limit || !subject.properties.has('acid') || !subject.properties.has('exfoliating')) return undefined
  const layers = chosen.filter((other) => other.properties.has('acid') && other.properties.has('exfoliating') && same(other.step, subject.step)).length
  if (layers < limit.limit!.max) return undefined
  return { ruleId: limit.ruleId, reason: 'No second acid layer on a first visit.', instead: 'One layer, and see how the skin answers.', constraint: limit }
}
