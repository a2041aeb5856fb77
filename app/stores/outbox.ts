import { defineStore } from 'pinia'
import { mayRetry, refusalOf, request, type Refusal } from '~/support/api'
import {
  asideChange,
  asideChanges,
  countChanges,
  dropChange,
  keepChange,
  oldestChange,
  type Change,
  type Outgoing,
} from '~/support/outbox-db'
import { plain } from '~/support/plain'

const RETRY_MS = 5000

/**
 * This person's changes on their way to the server. Each is written to the tablet first and sent in order; without a network, or signed out,
 * it waits and goes later. What the server will never take is told to whoever waits for it; where nobody does, it is set aside until it was seen.
 */
export const useOutboxStore = defineStore('outbox', () => {
  const session = useSessionStore()
  const waiting = ref(0)
  const busy = ref(false)
  const trouble = ref('')
  const aside = ref<Aside[]>([])
  /** Changes that somebody on this page waits for, with the refusal each met. */
  const awaited = new Map<number, Refusal | undefined>()
  const sendAll = sender({ trouble, awaited })
  let last: Promise<void> = Promise.resolve()
  let retry = 0

  async function sendMine() {
    window.clearTimeout(retry)
    const me = session.account?.id
    if (!me) return
    busy.value = true
    try {
      if (!(await sendAll(me))) retry = window.setTimeout(() => void flush(), RETRY_MS)
    } finally {
      waiting.value = await countChanges(me)
      aside.value = await asideChanges(me)
      busy.value = false
    }
  }

  /** Sends what waits, oldest first. Resolves when all is sent or the network says no. */
  function flush(): Promise<void> {
    last = last.then(sendMine)
    return last
  }

  /** Keeps a change and sends it. Gives the server's refusal, or undefined when it was taken or waits. */
  async function put(change: Change): Promise<Refusal | undefined> {
    const seq = await keepChange(session.account!.id, plain(change))
    awaited.set(seq, undefined)
    waiting.value++
    await flush()
    const refusal = awaited.get(seq)
    awaited.delete(seq)
    return refusal
  }
  /** Somebody has read why it was not taken: it goes. */
  async function seen(seq: number) {
    await dropChange(seq)
    aside.value = aside.value.filter((one) => one.seq !== seq)
  }
  window.addEventListener('online', () => void flush())
  return { waiting, busy, trouble, aside, put, flush, seen }
})

/** A change that the server did not take, and why. */
export interface Aside {
  readonly seq: number
  readonly path: string
  readonly aside: string
}

interface Sending {
  readonly trouble: Ref<string>
  readonly awaited: Map<number, Refusal | undefined>
}

/** Sends somebody's changes, oldest first; false where the server could not answer and all that is left waits. */
function sender({ trouble, awaited }: Sending) {
  /** What this person's role may not say waits: for another day, or another role. */
  let held = { me: '', changes: new Set<number>() }

  return async (me: string): Promise<boolean> => {
    if (held.me !== me) held = { me, changes: new Set() }
    const { changes } = held
    for (let next = await oldestChange(me, changes); next; next = await oldestChange(me, changes))
      if (!(await sendOne(next))) return false
    if (changes.size === 0) trouble.value = ''
    return true
  }

  /** True when the next may go: it was taken, set aside, or held. */
  async function sendOne({ seq, method, path, body }: Outgoing): Promise<boolean> {
    try {
      await request(path, { method, body })
      await dropChange(seq)
    } catch (error) {
      const refusal = refusalOf(error)
      trouble.value = refusal.detail
      if (mayRetry(refusal.status)) return false
      await notTaken(seq, refusal)
    }
    return true
  }

  async function notTaken(seq: number, refusal: Refusal) {
    if (awaited.has(seq)) {
      // Whoever typed it sees why at once.
      awaited.set(seq, refusal)
      await dropChange(seq)
    } else if (refusal.status === 403) held.changes.add(seq)
    else await asideChange(seq, refusal.detail)
  }
}
