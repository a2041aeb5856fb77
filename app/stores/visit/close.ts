import type { SkinAnswer } from '#core/climb'
import { call } from '~/support/api'
import type { VisitCore } from './core'

/** Signing, and the skin's answer at home. */
export function closing({ data, params, saveAndReload }: VisitCore) {
  /** `used`: what was really taken of each product; left out, what the plan takes. */
  function sign(
    answer: SkinAnswer | null,
    note: string,
    used?: readonly { productId: string; amount: number }[],
  ): Promise<boolean> {
    const body = { answer, note, ...(used ? { used } : {}) }
    return saveAndReload(() =>
      call('/api/visits/:id/close', { method: 'post', params: params(), body }),
    )
  }
  function checkIn(visitId: string, answer: SkinAnswer): Promise<boolean> {
    const body = { askedOn: data.value!.input.date, answer }
    return saveAndReload(() =>
      call('/api/visits/:id/check-in', { method: 'post', params: { id: visitId }, body }),
    )
  }
  return { sign, checkIn }
}
