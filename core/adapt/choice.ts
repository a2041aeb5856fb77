import type { Pick } from '../protocol/model'
import type { Shortage } from './shortages'
import type { Prep } from './wish'

/** What choosing a stand-in writes down: another product at a step, or another part in its mix. */
export type Choice =
  | { readonly kind: 'step'; readonly stepId: string; readonly pick: Pick }
  | {
      readonly kind: 'part'
      readonly mixId: string
      readonly partId: string
      readonly byId: string
    }

/** What is decided at the tray, with one choice more. */
export const withChoice = (prep: Prep, choice: Choice): Prep =>
  choice.kind === 'step'
    ? { ...prep, standIns: { ...prep.standIns, [choice.stepId]: choice.pick } }
    : {
        ...prep,
        partStandIns: {
          ...prep.partStandIns,
          [choice.mixId]: { ...prep.partStandIns[choice.mixId], [choice.partId]: choice.byId },
        },
      }

/** The same without what was chosen for something short: it is short again. */
export function withoutChoice(prep: Prep, { stepId, productId, mixId }: Shortage): Prep {
  if (mixId === undefined) {
    const { [stepId]: _, ...standIns } = prep.standIns
    return { ...prep, standIns }
  }
  const { [productId]: _, ...parts } = prep.partStandIns[mixId] ?? {}
  return { ...prep, partStandIns: { ...prep.partStandIns, [mixId]: parts } }
}

/** The product chosen to stand in for something short, if any. */
export const chosenFor = (
  prep: Prep,
  { stepId, productId, mixId }: Shortage,
): string | undefined =>
  mixId === undefined ? prep.standIns[stepId]?.productId : prep.partStandIns[mixId]?.[productId]
