import type { PlacedSegment } from '../adapt/plan'
import type { Step } from '../protocol/model'
import type { LiveSegment } from './walk'
import type { RunEvent } from './events'
import { canonical } from './canonical'
import type { Refusal, SegmentLog } from './state'

/** A product that is still to come, and can be said no to: at the step that comes first, and with it at the others. */
export interface Refusable {
  readonly stepId: string
  readonly productId: string
  /** All it is still wanted for, in order. */
  readonly stepIds: readonly string[]
}

interface Lying {
  readonly segments: readonly LiveSegment[]
}
interface Told {
  readonly segments: ReadonlyMap<string, SegmentLog>
}

/**
 * Nothing of the step is on the client: nothing of it was said to have begun, and by the clock alone at most its putting on has. Whoever says "not
 * this one" has it still in her hand; mixed it may be.
 */
export function isUntouched(live: Lying, { segments }: Told, stepId: string): boolean {
  const own = live.segments.filter(
    ({ segment }) => segment.stepId === stepId && segment.kind !== 'prepare',
  )
  return own.every(({ segment, status }, at) => {
    const log = segments.get(segment.id)
    const isSaid = log?.startedMs !== undefined || log?.finishedMs !== undefined
    return !isSaid && (status === 'ahead' || (status === 'now' && at === 0))
  })
}

/** Products that are still to come, each once, in the order in which hands come to them. */
export function refusable(
  live: Lying,
  told: Told,
  steps: readonly Pick<Step, 'id' | 'product'>[],
): Refusable[] {
  const order = [...live.segments].sort((a, b) => a.fromMs - b.fromMs)
  const coming = [...new Set(order.map(({ segment }) => segment.stepId))]
  const found = new Map<string, Refusable>()
  for (const stepId of coming) {
    const productId = steps.find((step) => step.id === stepId)?.product?.productId
    if (productId === undefined || !isUntouched(live, told, stepId)) continue
    const { stepIds = [], ...first } = found.get(productId) ?? { stepId, productId }
    found.set(productId, { ...first, stepIds: [...stepIds, stepId] })
  }
  return [...found.values()]
}

/** Steps whose product was refused before it touched, and that no fit has answered yet: they begin anew. */
export const openedAgain = (refused: readonly Refusal[]): ReadonlySet<string> =>
  new Set(refused.flatMap(({ stepId, isOpen }) => (isOpen ? [stepId] : [])))

/** What was done for a step before its product was refused is done no more: another is put on, or mixed, from the beginning. */
export function withoutLogsOf(
  stepId: string,
  segments: readonly PlacedSegment[],
  logs: Map<string, SegmentLog>,
): void {
  for (const { id, stepId: of } of segments) if (of === stepId) logs.delete(id)
}

/** Products that were refused in a run and why, the last word of each; and those of which it was taken back. */
export function refusalsIn(log: readonly RunEvent[]): {
  readonly stands: readonly { readonly productId: string; readonly why: string }[]
  readonly takenBack: readonly string[]
} {
  const refusedIn = (events: readonly RunEvent[]) =>
    new Map(events.flatMap(({ body }) => (body.type === 'refused' ? [[body.productId, body]] : [])))
  const stands = refusedIn(canonical(log))
  const takenBack = [...refusedIn(log).keys()].filter((productId) => !stands.has(productId))
  return { stands: [...stands.values()], takenBack }
}
