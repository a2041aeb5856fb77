import { shortcomingsOf, type Change, type FittedPlan } from '#core/adapt'
import { QUESTIONS, type Fact } from '#core/client'

type Facts = ReadonlyMap<string, Fact>

/** A change that stands only because somebody has not asked yet. Where the client does not know, it is a change like any other. */
export const isHeldBack = ({ why }: Change, facts: Facts): boolean =>
  why.length > 0 &&
  why.every(
    ({ unasked, facts: codes = [] }) => unasked === true && !codes.some((code) => facts.has(code)),
  )

/** Codes of questions that hold something back, whether or not the card was thought to need them. */
export const heldCodes = (plan: FittedPlan, facts: Facts): string[] =>
  plan.changes
    .filter((change) => isHeldBack(change, facts))
    .flatMap(({ why }) => why.flatMap(({ facts: codes = [] }) => codes))

/** Questions that could stop the whole visit and that the client cannot answer, in words. */
export const notKnownOf = ({ askFirst }: FittedPlan, facts: Facts): string[] =>
  QUESTIONS.filter(
    ({ ask, code }) => askFirst.includes(ask) && facts.get(code)?.answer === 'unknown',
  ).map(({ word }) => word)

/** What is wrong with a ladder, in sentences; its main step is not called lost as long as it is only held back until somebody has asked. */
export function wrongWith(plan: FittedPlan, facts: Facts): string[] {
  const held = new Set(
    plan.changes
      .filter((change) => change.kind === 'dropped' && isHeldBack(change, facts))
      .map(({ stepId }) => stepId),
  )
  const lost = plan.heart?.lost ?? []
  const isOnlyHeld = lost.length > 0 && lost.every(({ stepId }) => held.has(stepId))
  return shortcomingsOf(isOnlyHeld ? { ...plan, heart: undefined } : plan)
}
