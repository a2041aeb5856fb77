import { defineStore } from 'pinia'
import { z } from 'zod'
import { call, refusalOf, type Reply } from '~/support/api'
import { keptIn } from '~/support/kept'
import { bringOrphans, forgetAll } from '~/support/forget'
import { holdFor, isHeldByOthers, isHeldTooLong } from '~/support/held'
import { addressLetters } from '~/support/letters'

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

/** What a tablet knows of its session without a server. */
const ALONE = { revoked: false, outbox: null } as const
/** No network, or a server without its database: who is signed in stays as it was kept. */
const AWAY = [0, 503]

/** Who is signed in on this tablet. Without a network the last known person stays, so that a running visit goes on. */
export const useSessionStore = defineStore('session', () => {
  const account = ref<Account | null>(null)
  const salon = ref<Salon | null>(null)
  const demo = ref(false)
  const known = ref(false)

  async function load() {
    if (known.value && account.value) return
    try {
      const reply = await call('/api/session')
      await hold(reply)
      take(reply)
    } catch (error) {
      const kept = keptIn(localStorage, KEPT, Kept)
      if (!AWAY.includes(refusalOf(error).status) || !kept) throw error
      take({ ...kept, ...ALONE })
      if (await isHeldTooLong()) await forgetAll()
    }
    void bringOrphans()
  }

  function take({ account: who, salon: house, demo: isDemo }: SessionReply) {
    account.value = who
    salon.value = house
    demo.value = isDemo
    known.value = true
    keepKnown(who && { account: who, salon: house, demo: isDemo })
  }

  async function opened(opening: Promise<unknown>) {
    await opening
    known.value = false
    await load()
  }
  const signIn = (email: string, password: string) =>
    opened(call('/api/session', { method: 'post', body: { email, password } }))
  const openDemo = () => opened(call('/api/session/demo', { method: 'post' }))
  async function signOut(everywhere = false) {
    await useOutboxStore().flush()
    const query = { everywhere: everywhere ? '1' : '0' }
    await call('/api/session', { method: 'delete', query })
    await forgetAll()
    take({ account: null, salon: null, demo: demo.value, ...ALONE })
    void bringOrphans()
  }
  const can = (capability: Capability): boolean => mayDo(account.value, capability)
  return { account, salon, demo, can, load, signIn, openDemo, signOut }
})

/** Whether the person signed in may do something; nobody may anything while signed out. */
const mayDo = (account: Account | null, capability: Capability): boolean =>
  account?.can.includes(capability) ?? false

/** Who is known here without a network; null: nobody any more. */
function keepKnown(kept: Pick<SessionReply, 'account' | 'salon' | 'demo'> | null) {
  if (kept) localStorage.setItem(KEPT, JSON.stringify(kept))
  else localStorage.removeItem(KEPT)
}

/** What a tablet holds is held for one person, and for a day. */
async function hold({ account: who, outbox, revoked }: SessionReply) {
  const isOthers = who === null ? await isHeldTooLong() : await isHeldByOthers(who.id)
  if (revoked || isOthers) await forgetAll()
  if (who) await holdFor(who.id)
  if (outbox) await addressLetters(outbox)
}
