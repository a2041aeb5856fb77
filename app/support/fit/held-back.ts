import { shortcomingsOf, type Change, type FittedPlan } from '#core/adapt'
import type { Fact } from '#core/client'

type Facts = ReadonlyMap<string, Fact>

/** A change that stands only because somebody has not asked yet. Where the client does not know, it is a change like any other. */
export const isHeldBack = ({ why }: Change, facts: Facts): boolean =>
  why.length > 0 &&
  why.every(
    ({ unasked, facts: codes = [] }) => unasked === true && !codes.some((code) => facts.has(code)),
  )

/** What is wrong with a ladder, in sentences; nothing as long as what is missing is only held back until somebody has asked. */
export function wrongWith(plan: FittedPlan, facts: Facts): string[] {
  const held = new Set(
    plan.changes
      .filter((change) => change.kind === 'dropped' && isHeldBack(change, facts))
      .map(({ stepId }) => stepId),
  )
  const lost = plan.heart?.lost ?? []
  const isOnlyHeld = lost.length > 0 && lost.every(({ stepId }) => held.has(stepId))
  return isOnlyHeld ? [] : shortcomingsOf(plan)
}
