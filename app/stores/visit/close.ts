import type { SkinAnswer } from '#core/climb'
import { call } from '~/support/api'
import { letterOf } from '~/support/letters'
import type { VisitCore } from './core'

interface Signing {
  readonly answer: SkinAnswer | null
  readonly note: string
  /** What was really taken of each product; left out, what the plan takes. */
  readonly used?: readonly { productId: string; amount: number }[] | undefined
  /** On a tablet. */
  readonly pin?: string | undefined
}

/** Signing, and the skin's answer at home. */
export function closing({ data, params, put, reload, outbox, saveAndReload }: VisitCore) {
  /**
   * Signs, now or when the network is back; false where it was refused. The PIN travels sealed to the server: what carries it cannot read it.
   */
  async function sign({ answer, note, used, pin }: Signing): Promise<boolean> {
    const { id } = params()
    const letter =
      pin && (await letterOf(id, { method: 'POST', path: '/api/own/pin', body: { pin } }))
    const body = { answer, note, ...(used ? { used } : {}), ...(letter ? { pin: letter } : {}) }
    if (!(await put('POST', 'close', body))) return false
    if (outbox.waiting === 0) await reload()
    else if (data.value) data.value.visit.stage = 'closed'
    return true
  }
  function confirm(password: string): Promise<boolean> {
    return saveAndReload(() =>
      call('/api/visits/:id/signature', { method: 'post', params: params(), body: { password } }),
    )
  }
  function checkIn(visitId: string, answer: SkinAnswer): Promise<boolean> {
    const body = { askedOn: data.value!.input.date, answer }
    return saveAndReload(() =>
      call('/api/visits/:id/check-in', { method: 'post', params: { id: visitId }, body }),
    )
  }
  return { sign, confirm, checkIn }
}
