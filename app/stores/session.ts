import { defineStore } from 'pinia'
import { call, refusalOf } from '~/support/api'
import { wipeSent } from '~/support/perform/run-db'

export interface Account {
  id: string
  name: string
  role: 'owner' | 'practitioner' | 'assistant' | 'front_desk'
  practitionerId: string | null
  seesHealth: boolean
}
export interface Salon {
  name: string
  timeZone: string
  emergencyNumber: string
  address: string
  today: string
}
interface SessionReply {
  account: Account | null
  demo: boolean
  salon?: Salon
}

const KEPT = 'zen-session-kept'

/** Who is signed in on this tablet. Without a network the last known person stays, so that a running visit goes on. */
export const useSessionStore = defineStore('session', () => {
  const account = ref<Account | null>(null)
  const salon = ref<Salon | null>(null)
  const demo = ref(false)
  const known = ref(false)

  function take(reply: SessionReply) {
    account.value = reply.account
    salon.value = reply.salon ?? null
    demo.value = reply.demo
    known.value = true
    if (reply.account) localStorage.setItem(KEPT, JSON.stringify(reply))
    else localStorage.removeItem(KEPT)
  }

  async function load() {
    if (known.value && account.value) return
    try {
      take(await call<SessionReply>('/api/session'))
    } catch (error) {
      const kept = localStorage.getItem(KEPT)
      if (refusalOf(error).status !== 0 || !kept) throw error
      take(JSON.parse(kept) as SessionReply)
    }
  }

  async function signIn(email: string, password: string) {
    await call('/api/session', { method: 'POST', body: { email, password } })
    known.value = false
    await load()
  }
  async function openDemo() {
    await call('/api/session/demo', { method: 'POST' })
    known.value = false
    await load()
  }
  async function signOut() {
    await useOutboxStore().flush()
    await call('/api/session', { method: 'DELETE' })
    await wipeSent()
    take({ account: null, demo: demo.value })
  }
  return { account, salon, demo, load, signIn, openDemo, signOut }
})
