import { prepared, shortages, type CompileInput, type Shortage } from '../adapt'
import type { FittedPlan } from '../adapt/plan'
import { deviceById, productById } from '../catalog/shelf'
import type { Supply } from '../catalog/model'
import { mixCards, type MixCard } from '../mixing/card'
import { spreadDose, type ZoneDose } from '../mixing/infusion'
import type { Step } from '../protocol/model'
import { addOnsOf, costRange } from './add-on'
import { addOnRef } from './card'
import { usedBy, type VisitCost } from './cost'
import type { Rates } from './model'
import type { AddOn } from './price'

/** A product a visit takes, summed over its steps. */
export interface Taken { readonly productId: string; readonly name: string; readonly amount: number; readonly unit: 'g' | 'mL'; readonly lot: string | undefined }
export interface Infusion { readonly stepId: string; readonly title: string; readonly mL: number; readonly zones: readonly ZoneDose[] }
/** Everything that laying out a plan needs besides its tray. */
export interface LaidOut {
  readonly cards: readonly MixCard[]
  readonly short: readonly Shortage[]
  readonly infusions: readonly Infusion[]
  readonly taken: readonly Taken[]
  readonly most: VisitCost
  readonly least: VisitCost
  readonly addOns: readonly (AddOn & { readonly stepId: string; readonly title: string; readonly ref: string })[]
}

/** Mixing cards, shortages, measured infusions, what is taken off the shelf, and what it costs: one answer for a plan. Pure. */
export function layOut(given: CompileInput, plan: FittedPlan, money: { readonly rates: Rates; readonly supplies: readonly Supply[] }): LaidOut {
  const { shelf, prep } = prepared(given)
  const cost = costRange({ plan, shelf, supplies: money.supplies, rates: money.rates, size: prep?.size })
  return {
    cards: mixCards(plan.steps, shelf, prep?.waterC, prep?.size), short: shortages(given), infusions: infusionsOf(plan, given), ...cost,
    taken: summed(plan.steps.flatMap((step) => usedBy(step, shelf, prep?.size))).map((use) => ({ ...use, name: productById(shelf, use.productId)?.name ?? use.productId, lot: productById(shelf, use.productId)?.lot })),
    addOns: addOnsOf(plan, cost.most, money.rates).map((one) => ({ ...one, ref: addOnRef(plan.steps.find((step) => step.id === one.stepId)!) })),
  }
}

function summed(uses: readonly { productId: string; amount: number; unit: 'g' | 'mL' }[]): { productId: string; amount: number; unit: 'g' | 'mL' }[] {
  const sums = new Map<string, { productId: string; amount: number; unit: 'g' | 'mL' }>()
  for (const use of uses) sums.set(use.productId, { ...use, amount: Math.round(((sums.get(use.productId)?.amount ?? 0) + use.amount) * 1000) / 1000 })
  return [...sums.values()]
}

/** Steps in which a device takes a measured dose in: in the order of its way, or else of its zones. */
function infusionsOf(plan: FittedPlan, given: CompileInput): Infusion[] {
  const { shelf, prep } = prepared(given)
  return plan.steps.flatMap((step): Infusion[] => {
    if (!deviceById(shelf, step.deviceId)?.properties.includes('measured-infusion')) return []
    const dose = usedBy(step, shelf, prep?.size).find((use) => use.unit === 'mL')
    return dose ? [{ stepId: step.id, title: step.title, mL: dose.amount, zones: spreadDose(dose.amount, workSeconds(step), wayOf(step)) }] : []
  })
}
const workSeconds = (step: Step): number => step.segments.filter((segment) => segment.kind === 'apply').reduce((sum, segment) => sum + segment.usualS, 0)
const wayOf = (step: Step) => { const way = (step.passes?.zones ?? []).filter((zone) => step.zones.includes(zone)); return way.length > 0 ? [...new Set(way)] : step.zones }
