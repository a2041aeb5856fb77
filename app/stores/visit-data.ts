import type { CompileInput, FittedPlan } from '#core/adapt'
import type { RunEvent } from '#core/perform'
import type { Reply } from '~/support/api'

/** Everything one visit's six stages show, as the server gives it. */
export interface VisitData extends Omit<Reply<'/api/visits/:id'>, 'input' | 'plan' | 'events'> {
  /** Changed on the screen before the server has it. */
  input: CompileInput
  plan: StoredPlan | null
  /** With what was said on this tablet and is not sent yet. */
  events: RunEvent[]
}
/** The plan that counts; `faults`: what does not hold of one that was fitted on a tablet without a network. */
export interface StoredPlan {
  readonly id: string
  readonly revision: number
  readonly plan: FittedPlan
  readonly faults: readonly string[]
}
export type VisitHead = VisitData['visit']
export type ConsentText = VisitData['texts'][number]
export type ConsentKind = ConsentText['kind']
export type Consent = VisitData['consents'][number]
export type Photo = VisitData['photos'][number]
export type VisitMoney = VisitData['money']
export type VisitUse = VisitData['used'][number]
