import { defineStore } from 'pinia'
import { mayRetry, refusalOf, request, type Refusal } from '~/support/api'
import {
  countChanges,
  dropChange,
  keepChange,
  oldestChange,
  type Outgoing,
} from '~/support/outbox-db'
import { plain } from '~/support/plain'

const RETRY_MS = 5000

/**
 * This person's changes on their way to the server. Each is written to the tablet first and sent in order; without a network, or signed out,
 * it waits and goes later. What the server refuses is dropped with its sentence: sending it again would change nothing.
 */
export const useOutboxStore = defineStore('outbox', () => {
  const session = useSessionStore()
  const waiting = ref(0)
  const busy = ref(false)
  const trouble = ref('')
  const refusals = new Map<number, Refusal>()
  const sent = sender(trouble, refusals)
  let last: Promise<void> = Promise.resolve()
  let retry = 0

  async function sendAll() {
    window.clearTimeout(retry)
    const me = session.account?.id
    if (!me) return
    busy.value = true
    try {
      for (let change = await oldestChange(me); change; change = await oldestChange(me)) {
        if (!(await sent(change))) {
          retry = window.setTimeout(() => void flush(), RETRY_MS)
          return
        }
        await dropChange(change.seq)
      }
      trouble.value = ''
    } finally {
      waiting.value = await countChanges(me)
      busy.value = false
    }
  }

  /** Sends what waits, oldest first. Resolves when all is sent or the network says no. */
  function flush(): Promise<void> {
    last = last.then(sendAll)
    return last
  }

  /** Keeps a change and sends it. Gives the server's refusal, or undefined when it was taken or waits. */
  async function put(change: Omit<Outgoing, 'accountId'>): Promise<Refusal | undefined> {
    const outgoing = { ...change, accountId: session.account!.id }
    const seq = await keepChange(plain(outgoing))
    waiting.value++
    await flush()
    const refusal = refusals.get(seq)
    refusals.delete(seq)
    return refusal
  }
  if (import.meta.client) window.addEventListener('online', () => void flush())
  return { waiting, busy, trouble, put, flush }
})

/** Sends one change; true when the server has answered, whatever it said. */
function sender(trouble: Ref<string>, refusals: Map<number, Refusal>) {
  return async (change: Outgoing & { seq: number }): Promise<boolean> => {
    try {
      await request(change.path, { method: change.method, body: change.body })
    } catch (error) {
      const refusal = refusalOf(error)
      trouble.value = refusal.detail
      if (mayRetry(refusal.status)) return false
      refusals.set(change.seq, refusal)
    }
    return true
  }
}
