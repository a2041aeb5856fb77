import { defineStore } from 'pinia'
import { z } from 'zod'
import { Measures } from '#core/salon/model'
import { call, refusalOf, type Reply } from '~/support/api'
import { keptIn } from '~/support/kept'
import { bringOrphans, forgetAll } from '~/support/forget'
import { forgetPin, rememberPin } from '~/support/guard/known-pin'
import { holdFor, isHeldByOthers, isHeldTooLong } from '~/support/held'
import { addressLetters } from '~/support/letters'

type SessionReply = Reply<'/api/session'>
export type Account = NonNullable<SessionReply['account']>
export type Salon = NonNullable<SessionReply['salon']>
export type Capability = Account['can'][number]

const KEPT = 'zen-session-kept'
const Kept = z.object({
  demo: z.boolean(),
  world: z.enum(['own', 'demo']).default('own'),
  account: z.object({
    id: z.string(),
    name: z.string(),
    practitionerId: z.string().nullable(),
    hasPin: z.boolean().default(false),
    handedVisitId: z.string().nullable().default(null),
    lacksSecondStep: z.boolean().default(false),
    can: z.array(z.custom<Capability>((name) => typeof name === 'string')),
  }),
  salon: z
    .object({
      name: z.string(),
      timeZone: z.string(),
      emergencyNumber: z.string(),
      address: z.string(),
      today: z.string(),
      measures: Measures.default('metric'),
      coverMinutes: z.number().default(5),
      methods: z.record(z.string(), z.string()).default({}),
    })
    .nullable(),
  tablet: z
    .object({
      ...{ id: z.string(), name: z.string(), salon: z.string(), roomId: z.string().nullable() },
      people: z.array(z.never()),
    })
    .nullable()
    .default(null),
})

/** Before anybody has been asked; and what a tablet knows of its session without a server. */
const NOBODY: SessionReply = {
  ...{ account: null, salon: null, demo: false, world: 'own' },
  ...{ isNew: false, tablet: null, revoked: false, outbox: null, salons: [] },
}
/** No network, or a server without its database: who is signed in stays as it was kept. */
const AWAY = [0, 503]

/** Who is signed in on this tablet. Without a network the last known person stays, so that a running visit goes on. */
export const useSessionStore = defineStore('session', () => {
  const reply = shallowRef<SessionReply>(NOBODY)
  const known = ref(false)
  const account = computed(() => reply.value.account)

  async function load() {
    if (known.value && account.value) return
    try {
      const told = await call('/api/session')
      await hold(told)
      take(told)
    } catch (error) {
      const kept = keptIn(localStorage, KEPT, Kept)
      if (!AWAY.includes(refusalOf(error).status) || !kept) throw error
      take({ ...NOBODY, ...kept })
      if (await isHeldTooLong()) await forgetAll()
    }
    void bringOrphans()
  }

  function take(told: SessionReply) {
    reply.value = told
    known.value = true
    keepKnown(told)
  }

  /** Asks the server anew who is signed in and what is known of the salon, after something that changes it. */
  async function reload() {
    known.value = false
    await load()
  }
  const leave = () => take({ ...reply.value, account: null, salon: null, outbox: null })
  const can = (capability: Capability): boolean => mayDo(account.value, capability)
  return {
    account,
    salon: computed(() => reply.value.salon),
    /** The demo studio can be opened from here. */
    demo: computed(() => reply.value.demo),
    world: computed(() => reply.value.world),
    /** The salons of the house in which they work. */
    salons: computed(() => reply.value.salons),
    /** Nobody has set up a salon of their own yet. */
    isNew: computed(() => reply.value.isNew),
    /** This browser is a tablet of the salon. */
    tablet: computed(() => reply.value.tablet),
    ...{ can, load, reload },
    ...waysIn(reload),
    signOut: (everywhere = false) => signOut(everywhere, leave),
  }
})

/** The ways in, each of which ends with asking who is signed in now. */
function waysIn(reload: () => Promise<void>) {
  async function opened(opening: Promise<unknown>) {
    await opening
    await reload()
  }
  /** Into another world, or another salon: what is not sent yet goes first, what is held here is forgotten. */
  async function crossed(crossing: () => Promise<unknown>) {
    await useOutboxStore().flush()
    await crossing()
    await forgetAll()
    await reload()
  }
  return {
    signIn: (email: string, password: string, code?: string) =>
      opened(call('/api/session', { method: 'post', body: { email, password, code } })),
    signInByPin: (accountId: string, pin: string) =>
      opened(
        call('/api/session/pin', { method: 'post', body: { accountId, pin } }).then(() =>
          rememberPin(pin),
        ),
      ),
    join: (token: string, password: string, code?: string) =>
      opened(
        call('/api/links/:token', { method: 'post', params: { token }, body: { password, code } }),
      ),
    setUp: (body: object) => opened(call('/api/set-up', { method: 'post', body })),
    openDemo: () => crossed(() => call('/api/session/demo', { method: 'post' })),
    enterOwn: () => crossed(() => call('/api/session/own', { method: 'post' })),
    /** Over into another salon of the house. */
    enterSalon: (accountId: string) =>
      crossed(() => call('/api/session/salon', { method: 'post', body: { accountId } })),
  }
}

async function signOut(everywhere: boolean, leave: () => void) {
  await useOutboxStore().flush()
  const query = { everywhere: everywhere ? '1' : '0' }
  await call('/api/session', { method: 'delete', query })
  await forgetAll()
  forgetPin()
  leave()
  void bringOrphans()
}

/** Whether the person signed in may do something; nobody may anything while signed out. */
const mayDo = (account: Account | null, capability: Capability): boolean =>
  account?.can.includes(capability) ?? false

/** Who is known here without a network; null: nobody any more. */
function keepKnown({ account, salon, demo, world, tablet }: SessionReply) {
  // Who else works on it is asked where somebody signs in.
  const own = tablet && { ...tablet, people: [] }
  const known = { account, salon, demo, world, tablet: own }
  if (account) localStorage.setItem(KEPT, JSON.stringify(known))
  else localStorage.removeItem(KEPT)
}

/** What a tablet holds is held for one person, and for a day. */
async function hold({ account: who, outbox, revoked }: SessionReply) {
  const isOthers = who === null ? await isHeldTooLong() : await isHeldByOthers(who.id)
  if (revoked || isOthers) await forgetAll()
  if (who) await holdFor(who.id)
  if (outbox) await addressLetters(outbox)
}
