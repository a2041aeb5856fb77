import { extraSecondsOf } from '../adapt'
import type { FittedPlan } from '../adapt/plan'
import { costOf, type CostInput, type VisitCost } from './cost'
import { addOnOf, type AddOn } from './price'

/** Every enhancement of a plan priced: its goods and the minutes the visit is longer by for it. */
export function addOnsOf(
  plan: FittedPlan,
  cost: VisitCost,
  rates: CostInput['rates'],
): (AddOn & { readonly stepId: string; readonly title: string })[] {
  return plan.steps
    .filter((step) => step.floating || step.phase === 'enhancement')
    .map((step) => ({
      stepId: step.id,
      title: step.title,
      ...addOnOf(
        cost.steps.find((other) => other.stepId === step.id)?.goodsMinor ?? 0,
        extraSecondsOf(plan.steps, step.id),
        rates,
      ),
    }))
}

/** The range a visit may cost while its gates are open: without and with what is still “perhaps”. */
export function costRange(input: CostInput & { readonly plan: FittedPlan }): {
  readonly most: VisitCost
  readonly least: VisitCost
} {
  const most = costOf(input)
  const perhaps = new Set(input.plan.open.flatMap((gate) => gate.stepIds))
  if (perhaps.size === 0) return { most, least: most }
  const { plan } = input
  const cut = plan.totalS - plan.leastTotalS
  const segments = plan.segments
    .filter((segment) => !perhaps.has(segment.stepId))
    .map((segment) => ({
      ...segment,
      startS: Math.min(segment.startS, plan.totalS - cut),
      endS: Math.min(segment.endS, plan.totalS - cut),
    }))
  return {
    most,
    least: costOf({
      ...input,
      plan: {
        ...plan,
        steps: plan.steps.filter((step) => !perhaps.has(step.id)),
        tray: plan.tray.filter((item) => !perhaps.has(item.stepId)),
        segments,
        totalS: plan.leastTotalS,
      },
    }),
  }
}
