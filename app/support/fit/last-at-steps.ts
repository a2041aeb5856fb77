import type { FittedPlan } from '#core/adapt'
import { feltWords } from '#core/perform'
import type { VisitData } from '~/stores/visit-data'
import { shortDate } from '../time'

/** What the visit before left to know of a step of today. */
export interface LastAtStep {
  readonly stepId: string
  readonly title: string
  /** With its day and second: "30 Oct 2026: stinging at 2 min". */
  readonly words: string
  /** More than was expected, or strong. */
  readonly isMarked: boolean
}

/** Steps of today's ladder of whose product or device something was felt last time, or that took more than one pass, in today's order. */
export function lastAtSteps(
  steps: readonly Pick<FittedPlan['steps'][number], 'id' | 'title' | 'product' | 'deviceId'>[],
  last: VisitData['lastVisit'],
): LastAtStep[] {
  if (!last?.told) return []
  const { felt, passes } = last.told
  const on = shortDate(last.on)
  return steps.flatMap(({ id, title, product, deviceId }) => {
    const things = [product?.productId, deviceId]
    const ofIt = felt.filter(({ thingId }) => thingId !== undefined && things.includes(thingId))
    const lines = [
      ...ofIt.map((one) => ({
        words: `${on}: ${feltWords(one)}`,
        isMarked: Boolean(one.beyond ?? one.strong),
      })),
      ...passes
        .filter((one) => one.title === title)
        .map((one) => ({ words: `${on}: ${one.passes} passes`, isMarked: false })),
    ]
    return lines.map((line) => ({ stepId: id, title, ...line }))
  })
}
