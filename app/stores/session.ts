import { defineStore } from 'pinia'
import { z } from 'zod'
import { call, refusalOf, type Reply } from '~/support/api'
import { keptIn } from '~/support/kept'
import { wipeSent } from '~/support/perform/run-db'

type SessionReply = Reply<'/api/session'>
export type Account = NonNullable<SessionReply['account']>
export type Salon = NonNullable<SessionReply['salon']>
export type Capability = Account['can'][number]

const KEPT = 'zen-session-kept'
const Kept = z.object({
  demo: z.boolean(),
  account: z.object({
    id: z.string(),
    name: z.string(),
    practitionerId: z.string().nullable(),
    can: z.array(z.custom<Capability>((name) => typeof name === 'string')),
  }),
  salon: z
    .object({
      name: z.string(),
      timeZone: z.string(),
      emergencyNumber: z.string(),
      address: z.string(),
      today: z.string(),
    })
    .nullable(),
})

/** Who is signed in on this tablet. Without a network the last known person stays, so that a running visit goes on. */
/** No network, or a server without its database: who is signed in stays as it was kept. */
const AWAY = [0, 503]

export const useSessionStore = defineStore('session', () => {
  const account = ref<Account | null>(null)
  const salon = ref<Salon | null>(null)
  const demo = ref(false)
  const known = ref(false)

  function take(reply: SessionReply) {
    account.value = reply.account
    salon.value = reply.salon
    demo.value = reply.demo
    known.value = true
    if (reply.account) localStorage.setItem(KEPT, JSON.stringify(reply))
    else localStorage.removeItem(KEPT)
  }

  async function load() {
    if (known.value && account.value) return
    try {
      take(await call('/api/session'))
    } catch (error) {
      const kept = keptIn(localStorage, KEPT, Kept)
      if (!AWAY.includes(refusalOf(error).status) || !kept) throw error
      take(kept)
    }
  }

  async function signIn(email: string, password: string) {
    await call('/api/session', { method: 'post', body: { email, password } })
    known.value = false
    await load()
  }
  async function openDemo() {
    await call('/api/session/demo', { method: 'post' })
    known.value = false
    await load()
  }
  async function signOut(everywhere = false) {
    await useOutboxStore().flush()
    await call('/api/session', {
      method: 'delete',
      query: { everywhere: everywhere ? '1' : '0' },
    })
    await wipeSent()
    take({ account: null, salon: null, demo: demo.value })
  }
  /** Whether the person signed in may do something; nobody may anything while signed out. */
  const can = (capability: Capability): boolean => account.value?.can.includes(capability) ?? false
  return { account, salon, demo, can, load, signIn, openDemo, signOut }
})
