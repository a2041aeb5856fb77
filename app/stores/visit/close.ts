import { toldAfter, type CheckIn, type LeavingSkin, type SkinAnswer } from '#core/climb'
import { call } from '~/support/api'
import { holdVisit } from '~/support/held-visits'
import { letterOf } from '~/support/letters'
import { dayIn } from '~/support/time'
import type { VisitCore } from './core'

interface Signing {
  /** Null: nobody looked. */
  readonly leaving: LeavingSkin | null
  readonly note: string
  /** For the next visit. */
  readonly nextNote: string
  /** What was really taken of each product; left out, what the plan takes. */
  readonly used?: readonly { productId: string; amount: number }[] | undefined
  /** On a tablet. */
  readonly pin?: string | undefined
}

/** Signing, and confirming a signature. */
export function closing(core: VisitCore) {
  const { data, params, put, reload, outbox, saveAndReload } = core
  /**
   * Signs, now or when the network is back; false where it was refused. The PIN travels sealed to the server: what carries it cannot read it.
   */
  async function sign({ leaving, note, nextNote, used, pin }: Signing): Promise<boolean> {
    const { id } = params()
    const letter =
      pin && (await letterOf(id, { method: 'POST', path: '/api/own/pin', body: { pin } }))
    const body = {
      id: crypto.randomUUID(),
      ...{ leaving, note, nextNote },
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
  return { sign, confirm }
}

/** What is told of a visit with one telling more, and what of it counts: the same as the server will say. */
function withTold(
  // A visit that a tablet laid by before they were kept has none.
  { checkIns = [], on }: { readonly checkIns?: readonly CheckIn[]; readonly on: string },
  askedOn: string,
  answer: SkinAnswer,
) {
  const all = [...checkIns, { askedOn, answer }]
  return { checkIns: all, answer: toldAfter({ checkIns: all, atClose: null, leaving: null }, on) }
}

/** What is told of earlier visits, and what they left to be seen to. */
export function remembering({ data, put, change }: VisitCore) {
  /** How the skin answered after the visit before: what is fitted today starts from it. */
  function checkIn(visitId: string, answer: SkinAnswer): Promise<boolean> {
    const { lastVisit, input } = data.value!
    const told = lastVisit && withTold(lastVisit, input.date, answer)
    if (told && lastVisit.id === visitId) data.value!.lastVisit = { ...lastVisit, ...told }
    const history = input.history.map((past) =>
      told && past.on === lastVisit.on ? { ...past, answer: told.answer } : past,
    )
    const body = { id: crypto.randomUUID(), askedOn: input.date, answer }
    return change({ history }, 'POST', 'check-in', body, visitId)
  }
  /** The same of the visit that is open here, once it is signed; null: asked for, and not reached. */
  async function checkInAfter(visitId: string, answer: SkinAnswer | null): Promise<boolean> {
    const { outcome, visit, input } = data.value!
    const askedOn = dayIn(visit.timeZone, new Date())
    if (outcome)
      data.value!.outcome = answer
        ? { ...outcome, tries: 0, ...withTold({ ...outcome, on: input.date }, askedOn, answer) }
        : { ...outcome, tries: outcome.tries + 1 }
    return put('POST', 'check-in', { id: crypto.randomUUID(), askedOn, answer }, visitId)
  }
  /** What was noted at a visit for the next one has been seen to. */
  function tickNote(visitId: string): Promise<boolean> {
    const { nextNotes } = data.value!
    data.value!.nextNotes = nextNotes.filter((one) => one.visitId !== visitId)
    return put('DELETE', 'next-note', {}, visitId)
  }
  return { checkIn, checkInAfter, tickNote }
}
