import type { SkinAnswer } from '#core/climb'
import { call } from '~/support/api'
import { holdVisit } from '~/support/held-visits'
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
export function closing(core: VisitCore) {
  const { data, params, put, reload, outbox, saveAndReload } = core
  /**
   * Signs, now or when the network is back; false where it was refused. The PIN travels sealed to the server: what carries it cannot read it.
   */
  async function sign({ answer, note, used, pin }: Signing): Promise<boolean> {
    const { id } = params()
    const letter =
      pin && (await letterOf(id, { method: 'POST', path: '/api/own/pin', body: { pin } }))
    const body = {
      id: crypto.randomUUID(),
      answer,
      note,
      ...(used ? { used } : {}),
      ...(letter ? { pin: letter } : {}),
    }
    if (!(await put('POST', 'close', body))) return false
    if (outbox.waiting === 0) await reload()
    else if (data.value) {
      data.value.visit.stage = 'closed'
      await holdVisit(data.value)
    }
    return true
  }
  function confirm(password: string): Promise<boolean> {
    return saveAndReload(() =>
      call('/api/visits/:id/signature', { method: 'post', params: params(), body: { password } }),
    )
  }
  /** How the skin answered after the visit before: what is fitted today starts from it. */
  function checkIn(visitId: string, answer: SkinAnswer): Promise<boolean> {
    const { lastVisit, input } = data.value!
    if (lastVisit?.id === visitId) data.value!.lastVisit = { ...lastVisit, answer }
    const history = input.history.map((past) =>
      past.on === lastVisit?.on ? { ...past, answer } : past,
    )
    const body = { id: crypto.randomUUID(), askedOn: input.date, answer }
    return core.change({ history }, 'POST', 'check-in', body, visitId)
  }
  return { sign, confirm, checkIn }
}
