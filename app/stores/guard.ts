import { defineStore } from 'pinia'
import { call, refusalOf } from '~/support/api'
import { isKnownPin, rememberPin } from '~/support/guard/known-pin'
import { dropDraft, keepDraft, keptDraft } from '~/support/held'
import { letterOf } from '~/support/letters'
import { Letter } from '#core/formats/model'

const COVERED = 'zen-covered'
const HANDED = 'zen-handed'
/** A PIN that opened this tablet without a network, sealed to the server: it is checked when the network is back. */
const OWED = 'own-pin'

export interface Typed {
  readonly pin?: string
  readonly password?: string
}

/** What this tablet shows to whom: covered after a while without a touch, or in a client's hands. Both outlive a page that is read anew. */
export const useGuardStore = defineStore('guard', () => {
  const session = useSessionStore()
  const covered = ref(localStorage.getItem(COVERED) !== null)
  const handed = ref(localStorage.getItem(HANDED) ?? '')
  watch(covered, (is) => keep(COVERED, is ? '1' : ''))
  watch(handed, (id) => keep(HANDED, id))
  // Somebody else, or nobody: what was covered is another's, and gone.
  watch(
    () => session.account?.id,
    (id, before) => {
      if (before !== undefined && id !== before) covered.value = false
      handed.value = session.account?.handedVisitId ?? (id ? handed.value : '')
    },
    { immediate: true },
  )
  const cover = () => {
    covered.value = session.account !== null
  }
  const back = opener({ covered, handed })

  /** Gives the tablet to the client of a visit; gives why not. Without a network the server is told later: by then it may have been taken back. */
  async function hand(visitId: string): Promise<string> {
    const why = await tellHanded(visitId)
    if (!why) handed.value = visitId
    return why
  }
  async function online() {
    if (handed.value) await tellHanded(handed.value)
    if (!(await payPin())) cover()
  }
  window.addEventListener('online', () => void online())
  return { covered, handed, cover, hand, ...back }
})

function keep(name: string, value: string) {
  if (value) localStorage.setItem(name, value)
  else localStorage.removeItem(name)
}

const OFFLINE = 0
async function tellHanded(id: string): Promise<string> {
  try {
    await call('/api/visits/:id/handed', { method: 'put', params: { id } })
    return ''
  } catch (error) {
    const { status, detail } = refusalOf(error)
    return status === OFFLINE ? '' : detail
  }
}

/** Sends the PIN that was typed without a network; false: the server says that it is wrong. */
async function payPin(): Promise<boolean> {
  const sealed = await keptDraft(OWED, Letter)
  if (!sealed) return true
  try {
    await call('/api/own/unlock', { method: 'post', body: { sealed } })
  } catch (error) {
    const { status, code } = refusalOf(error)
    if (code !== 'wrong_pin') return status === OFFLINE
    await dropDraft(OWED)
    return false
  }
  await dropDraft(OWED)
  return true
}

interface Shown {
  readonly covered: Ref<boolean>
  readonly handed: Ref<string>
}
/** Takes the tablet back. Each way gives why not in a sentence, or nothing when it is open. */
function opener({ covered, handed }: Shown) {
  const session = useSessionStore()
  function open() {
    covered.value = false
    handed.value = ''
  }
  async function takeBack(typed: Typed): Promise<string> {
    try {
      await call('/api/own/unlock', { method: 'post', body: typed })
    } catch (error) {
      const { status, detail } = refusalOf(error)
      if (status !== OFFLINE) return detail
      const why = await withoutNetwork(typed)
      if (why) return why
    }
    if (typed.pin !== undefined) await rememberPin(typed.pin)
    open()
    return ''
  }
  async function withoutNetwork({ pin }: Typed): Promise<string> {
    const isKnown = pin === undefined ? undefined : await isKnownPin(pin)
    if (isKnown === undefined) return UNCHECKED
    if (!isKnown) return 'That is not the PIN.'
    const letter = await letterOf(session.account!.id, {
      ...{ method: 'POST', path: '/api/own/unlock', body: { pin } },
    })
    if (letter) await keepDraft(OWED, letter)
    return ''
  }
  /** Lifts a cover without a network, unchecked: it is written down. A tablet in a client's hands is never opened so. */
  async function openUnchecked() {
    const body = { at: new Date().toISOString() }
    open()
    await useOutboxStore().put({ method: 'POST', path: '/api/own/unchecked', body })
  }
  return { takeBack, openUnchecked }
}
export const UNCHECKED = 'No network: your PIN cannot be checked here.'
