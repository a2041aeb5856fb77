import { defineStore } from 'pinia'
import { mayRetry, refusalOf, request, type Refusal } from '~/support/api'
import {
  asideChange,
  asideChanges,
  countChanges,
  dropChange,
  keepChange,
  oldestChange,
  isSigning,
  waitsOf,
  type Aside,
  type Change,
  type Outgoing,
} from '~/support/outbox-db'
import { bringAll } from '~/support/perform/bring'
import { plain } from '~/support/plain'
import { visitPath } from '~/support/visit-path'

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
  /** How often what had waited has gone: what is shown may be older than what the server made of it. */
  const late = ref(0)
  let wentLate = false
  const wentUnawaited = () => {
    wentLate = true
  }
  const { sendAll, isHeld } = sender({ trouble, awaited, wentUnawaited })
  let isCounted = false
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
      isCounted = true
      busy.value = false
      if (wentLate && waiting.value === 0) {
        wentLate = false
        late.value++
      }
    }
  }

  /** Sends what waits, oldest first. Resolves when all is sent or the network says no. */
  function flush(): Promise<void> {
    last = last.then(sendMine)
    return last
  }

  const changes = changer({ waiting, aside, awaited, flush })
  const ofVisits = visitsOf({ flush, isHeld, isClear: () => waiting.value === 0 && isCounted })
  window.addEventListener('online', () => void flush())
  return { waiting, busy, trouble, aside, late, flush, ...changes, ...ofVisits }
})

interface Changing {
  readonly waiting: Ref<number>
  readonly aside: Ref<Aside[]>
  readonly awaited: Map<number, Refusal | undefined>
  readonly flush: () => Promise<void>
}
/** What is put in, and what becomes of what was set aside. */
function changer({ waiting, aside, awaited, flush }: Changing) {
  const session = useSessionStore()
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
  /** What was set aside because of another change is sent once more, whatever stands there: somebody has seen both. */
  async function again({ seq, ...change }: Aside): Promise<Refusal | undefined> {
    const { seen: _seen, ...body } = change.body as Record<string, unknown>
    const { method, path } = change
    const refusal = await put({ method, path, body })
    await seen(seq)
    return refusal
  }
  /** Somebody has read why it was not taken: it goes. */
  async function seen(seq: number) {
    await dropChange(seq)
    aside.value = aside.value.filter((one) => one.seq !== seq)
  }
  return { put, again, seen }
}

interface Asking {
  readonly flush: () => Promise<void>
  /** This session may not send it. */
  readonly isHeld: (seq: number) => boolean
  /** Nothing waits, and that is known. */
  readonly isClear: () => boolean
}
/** What waits of one visit. */
function visitsOf({ flush, isHeld, isClear }: Asking) {
  const session = useSessionStore()
  const waitsFor = async (visitId: string): Promise<readonly Outgoing[]> =>
    session.account ? waitsOf(session.account.id, visitId) : []
  /** Sends what waits; true where nothing of this visit does any more that goes before what was said in it. */
  async function sentBefore(visitId: string): Promise<boolean> {
    if (isClear()) return true
    await flush()
    const left = await waitsFor(visitId)
    return left.every((change) => isSigning(change) || isHeld(change.seq))
  }
  return { waitsFor, sentBefore }
}

interface Sending {
  readonly trouble: Ref<string>
  readonly awaited: Map<number, Refusal | undefined>
  /** Something went, or was set aside, for which nobody waits. */
  readonly wentUnawaited: () => void
}

/** Sends somebody's changes, oldest first; false where the server could not answer and all that is left waits. */
function sender({ trouble, awaited, wentUnawaited }: Sending) {
  /** What this person's role may not say waits: for another day, or another role. */
  let held = { me: '', changes: new Set<number>() }

  async function sendAll(me: string): Promise<boolean> {
    if (held.me !== me) held = { me, changes: new Set() }
    const { changes } = held
    for (let next = await oldestChange(me, changes); next; next = await oldestChange(me, changes))
      if (!(await sendOne(next))) return false
    if (changes.size === 0) trouble.value = ''
    return true
  }
  const isHeld = (seq: number): boolean => held.changes.has(seq)

  /** True when the next may go: it was taken, set aside, or held. */
  async function sendOne({ seq, method, path, body }: Outgoing): Promise<boolean> {
    if (isSigning({ path }) && !(await bringAll(visitPath({ path }).visitId))) return false
    try {
      await request(path, { method, body })
      await dropChange(seq)
    } catch (error) {
      const refusal = refusalOf(error)
      trouble.value = refusal.detail
      if (mayRetry(refusal.status)) return false
      await notTaken(seq, refusal)
    }
    if (!awaited.has(seq)) wentUnawaited()
    return true
  }

  async function notTaken(seq: number, refusal: Refusal) {
    const { code, detail, status } = refusal
    // Whoever typed it sees why at once.
    if (awaited.has(seq)) awaited.set(seq, refusal)
    if (code === 'changed_meanwhile') await asideChange(seq, { code, detail })
    else if (awaited.has(seq)) await dropChange(seq)
    else if (status === 403) held.changes.add(seq)
    else await asideChange(seq, { code, detail })
  }
  return { sendAll, isHeld }
}
