import type { CompileInput } from '#core/adapt'
import type { Reply } from '~/support/api'

/** Everything one visit's six stages show, as the server gives it. */
export interface VisitData extends Omit<Reply<'/api/visits/:id'>, 'input'> {
  /** Changed on the screen before the server has it. */
  input: CompileInput
}
export type VisitHead = VisitData['visit']
export type StoredPlan = NonNullable<VisitData['plan']>
export type ConsentText = VisitData['texts'][number]
export type ConsentKind = ConsentText['kind']
export type Consent = VisitData['consents'][number]
export type Photo = VisitData['photos'][number]
export type VisitMoney = VisitData['money']
export type VisitUse = VisitData['used'][number]
