import { partId, prepared, shortages, type CompileInput, type Shortage } from '../adapt'
import type { FittedPlan } from '../adapt/plan'
import { deviceById, productById } from '../catalog/shelf'
import type { Supply } from '../catalog/model'
import { mixCards, type MixCard } from '../mixing/card'
import { spreadDose, type ZoneDose } from '../mixing/infusion'
import { trayId } from '../mixing/tray'
import type { Step } from '../protocol/model'
import { addOnsOf, costRange } from './add-on'
import { addOnRef } from './card'
import { summedUses, usedBy, type VisitCost } from './cost'
import type { Rates } from './model'
import type { AddOn } from './price'

/** A product a visit takes, summed over its steps. */
export interface Taken {
  readonly productId: string
  readonly name: string
  readonly amount: number
  readonly unit: 'g' | 'mL'
  readonly lot: string | undefined
}
export interface Infusion {
  readonly stepId: string
  readonly title: string
  readonly mL: number
  readonly zones: readonly ZoneDose[]
}
/** Everything that laying out a plan needs besides its tray. */
export interface LaidOut {
  readonly cards: readonly MixCard[]
  /** Seconds from the start of the visit: when each bowl is begun, by step; when each towel leaves the cabinet, by tray item. */
  readonly mixAtS: Readonly<Record<string, number>>
  readonly towelOutS: Readonly<Record<string, number>>
  readonly short: readonly Shortage[]
  readonly infusions: readonly Infusion[]
  readonly taken: readonly Taken[]
  readonly most: VisitCost
  readonly least: VisitCost
  readonly addOns: readonly (AddOn & {
    readonly stepId: string
    readonly title: string
    readonly ref: string
  })[]
}

/** Mixing cards, shortages, measured infusions, what is taken off the shelf, and what it costs: one answer for a plan. Pure. */
export function layOut(
  given: CompileInput,
  plan: FittedPlan,
  money: { readonly rates: Rates; readonly supplies: readonly Supply[] },
): LaidOut {
  const { shelf, prep } = prepared(given)
  const cost = costRange({
    plan,
    shelf,
    supplies: money.supplies,
    rates: money.rates,
    size: prep?.size,
  })
  const cards = mixCards(plan.steps, shelf, prep?.waterC, prep?.size)
  return {
    cards,
    mixAtS: mixTimes(
      plan,
      cards.map((card) => card.stepId),
    ),
    towelOutS: towelTimes(plan),
    short: shortages(given),
    infusions: infusionsOf(plan, given),
    ...cost,
    taken: summedUses(plan.steps.flatMap((step) => usedBy(step, shelf, prep?.size))).map((use) => ({
      ...use,
      name: productById(shelf, use.productId)?.name ?? use.productId,
      lot: productById(shelf, use.productId)?.lot,
    })),
    addOns: addOnsOf(plan, cost.most, money.rates).map((addOn) => ({
      ...addOn,
      ref: addOnRef(plan.steps.find((step) => step.id === addOn.stepId)!),
    })),
  }
}

/** When each bowl is begun, by its step. */
const mixTimes = (plan: FittedPlan, stepIds: readonly string[]): Record<string, number> =>
  Object.fromEntries(
    stepIds.flatMap((stepId) => {
      const own = plan.segments.filter((part) => part.stepId === stepId)
      const first = own.find((part) => part.kind === 'prepare') ?? own[0]
      return first ? [[stepId, first.startS]] : []
    }),
  )

/** When each towel must leave the cabinet, by its place on the tray: early enough to be cool at its removal. */
function towelTimes(plan: FittedPlan): Record<string, number> {
  const removals = new Map(
    plan.steps.flatMap((step) =>
      step.segments.map(
        (segment) =>
          [
            trayId(step, segment),
            plan.segments.find((part) => part.id === partId(step, segment)),
          ] as const,
      ),
    ),
  )
  return Object.fromEntries(
    plan.tray.flatMap((item) => {
      const removal = removals.get(item.id)
      return item.readyInS !== undefined && removal
        ? [[item.id, removal.startS - item.readyInS]]
        : []
    }),
  )
}

/** Steps in which a device takes a measured dose in: in the order of its way, or else of its zones. */
function infusionsOf(plan: FittedPlan, given: CompileInput): Infusion[] {
  const { shelf, prep } = prepared(given)
  return plan.steps.flatMap((step): Infusion[] => {
    if (!deviceById(shelf, step.deviceId)?.properties.includes('measured-infusion')) return []
    const dose = usedBy(step, shelf, prep?.size).find((use) => use.unit === 'mL')
    return dose
      ? [
          {
            stepId: step.id,
            title: step.title,
            mL: dose.amount,
            zones: spreadDose(dose.amount, workSeconds(step), wayOf(step)),
          },
        ]
      : []
  })
}
const workSeconds = (step: Step): number =>
  step.segments
    .filter((segment) => segment.kind === 'apply')
    .reduce((sum, segment) => sum + segment.usualS, 0)
const wayOf = (step: Step) => {
  const way = (step.passes?.zones ?? []).filter((zone) => step.zones.includes(zone))
  return way.length > 0 ? [...new Set(way)] : step.zones
}
