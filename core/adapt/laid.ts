import type { LaidOn } from '../skin/layers'
import type { FittedPlan } from './plan'

/** What a plan lays on the skin, and when: products that come off again and those that stay. `leavesOn` names the latter. */
export function laidOn(
  plan: Pick<FittedPlan, 'steps' | 'segments'>,
  leavesOn: ReadonlySet<string>,
): LaidOn[] {
  return plan.steps
    .filter((step) => step.product)
    .flatMap((step) => {
      const own = plan.segments.filter(
        (segment) => segment.stepId === step.id && segment.zones.length > 0,
      )
      if (own.length === 0) return []
      const stays = leavesOn.has(step.product!.productId)
      return [
        {
          stepId: step.id,
          productId: step.product!.productId,
          zones: step.zones,
          onS: Math.min(...own.map((segment) => segment.startS)),
          offS: stays ? undefined : Math.max(...own.map((segment) => segment.endS)),
        },
      ]
    })
}
