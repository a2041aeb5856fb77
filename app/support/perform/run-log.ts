import type { RunBody, RunEvent } from '#core/perform'
import type { VisitData } from '~/stores/visit-data'
import { call, refusalOf } from '~/support/api'
import { plain } from '~/support/plain'
import { heldVisit, holdVisit } from '~/support/held-visits'
import { bringPart } from './bring'
import { keepEvent, keepUnknown, keptEvents, markSent, type KeptRun } from './run-db'
import { deviceId, ownClock, type OwnClock } from './run-clock'

const SIGNED_OUT = 'Signed out: go on working. It is saved here, and sent when you sign in again.'
const NOT_KEPT =
  'This tablet could not keep what was tapped last. Tap it again; if it stays so, write it down.'
const HELD = 'It waits for a practitioner to sign in here.'

/** How far the log has been kept, and in words; what is laid aside is said as long as it is. */
function howKept() {
  const unsent = ref(0)
  const aside = ref(0)
  const trouble = ref('')
  const saved = computed(() => savedWords(unsent.value, trouble.value, aside.value))
  return { unsent, aside, trouble, saved }
}

/** The log of a run: on the tablet first, then on the server. */
export function runLog() {
  // Replaced, never changed in place: what a ladder is made of is read thousands of times for each picture.
  const run = shallowRef<KeptRun>()
  const events = shallowRef<RunEvent[]>([])
  const { unsent, aside, trouble, saved } = howKept()
  const { nowMs, behindMs, clock, measured } = ownClock(events)

  /** Said and seen, and not read back yet: a reading of what is kept that began before it must not hide it. */
  const said = new Set<RunEvent>()
  const { recall, openHere } = reader({ run, events, unsent, aside, trouble, said, nowMs, clock })
  const { send, follow } = sender({ run, unsent, trouble, measured, recall, clock })

  /** Asks the server for plan and log; without a network what is kept here serves. */
  async function open(visitId: string) {
    await openHere(visitId)
    await send()
  }

  async function say(body: RunBody): Promise<RunEvent> {
    nowMs.value = clock()
    const event = eventOf(body, events.value.length, nowMs.value)
    await shownAndKept(event, { run, events, unsent, trouble, said })
    void send()
    return event
  }
  return { run, events, unsent, saved, trouble, nowMs, behindMs, clock, open, say, send, follow }
}

interface Reading extends Telling {
  readonly aside: Ref<number>
  readonly nowMs: Ref<number>
  readonly clock: () => number
}
/** Reads what is kept here, and what the server has. */
function reader({ run, events, unsent, aside, trouble, said, nowMs, clock }: Reading) {
  const outbox = useOutboxStore()
  /** The visit whose log this is now: what still comes back for the one before belongs to none of it. */
  let openId = ''

  async function recall(visitId: string) {
    const kept = await keptEvents(visitId)
    if (visitId !== openId) return
    const ids = new Set(kept.map(({ id }) => id))
    for (const event of said) if (ids.has(event.id)) said.delete(event)
    const read = [...kept.map(({ event }) => event), ...said]
    unsent.value = kept.filter(({ sent }) => sent === 0).length + said.size
    aside.value = kept.filter(({ sent }) => sent === 2).length
    // What was shown when it was tapped is not drawn a second time when it is saved.
    if (isAsShown(read, events.value)) return
    events.value = read
    // In the same breath: times set right beside a clock that is not yet would show the run hours on, or not begun.
    nowMs.value = clock()
  }
  async function openHere(visitId: string) {
    said.clear()
    openId = visitId
    const held = await heldVisit(visitId)
    if (visitId !== openId) return
    // One visit's ladder never stands beside another one's log.
    if (run.value?.visitId !== visitId) events.value = []
    run.value = held && runOf(held.data)
    if (held) await keepUnknown(visitId, held.data.events)
    await recall(visitId)
    try {
      // What was changed here goes first; as long as it does not, what stands here is newer.
      const isNewerHere = !(await outbox.sentBefore(visitId))
      const data = await call('/api/visits/:id', { params: { id: visitId } })
      await markSent(visitId, data.events)
      if (!isNewerHere) await holdVisit(data)
      if (visitId !== openId) return
      if (!isNewerHere) run.value = runOf(data)
      await recall(visitId)
      trouble.value = ''
    } catch (error) {
      if (visitId === openId) trouble.value = refusalOf(error).detail
    }
  }
  return { recall, openHere }
}

const isAsShown = (read: readonly RunEvent[], shown: readonly RunEvent[]): boolean =>
  read.length === shown.length && read.every((event, at) => event === shown[at])

interface Telling {
  readonly run: Ref<KeptRun | undefined>
  readonly events: Ref<RunEvent[]>
  readonly unsent: Ref<number>
  readonly trouble: Ref<string>
  readonly said: Set<RunEvent>
}
/** Shows an event at once, and keeps it here; one that cannot be kept is not shown as if it were. */
async function shownAndKept(event: RunEvent, { run, events, unsent, trouble, said }: Telling) {
  said.add(event)
  events.value = [...events.value, event]
  unsent.value++
  try {
    await keepEvent(run.value!.visitId, event)
  } catch (error) {
    said.delete(event)
    events.value = events.value.filter(({ id }) => id !== event.id)
    unsent.value--
    trouble.value = NOT_KEPT
    throw error
  }
}

export const eventsOf = (bodies: readonly RunBody[], seq: number, wallMs: number): RunEvent[] =>
  bodies.map((body, at) => eventOf(body, seq + at, wallMs))

const eventOf = (body: RunBody, seq: number, wallMs: number): RunEvent => ({
  id: crypto.randomUUID(),
  deviceId: deviceId(),
  ...{ seq, wallMs },
  elapsedMs: performance.now(),
  body: plain(body),
})

/** What Perform needs of a visit; undefined where it has no plan yet. */
export function runOf(data: VisitData): KeptRun | undefined {
  if (!data.plan) return undefined
  const { salon } = useSessionStore()
  return plain<KeptRun>({
    visitId: data.visit.id,
    head: data.visit,
    planId: data.plan.id,
    plan: data.plan.plan,
    faults: data.plan.faults,
    input: data.input,
    lastReading: data.lastReading,
    lastFelt: feltAt(data.lastVisit),
    next: data.following,
    beside: data.beside,
    emergency: { number: salon?.emergencyNumber ?? '', address: salon?.address ?? '' },
  })
}

const feltAt = (last: VisitData['lastVisit']): KeptRun['lastFelt'] =>
  (last?.told?.felt ?? []).map((felt) => ({ ...felt, on: last!.on }))

interface Sending {
  readonly clock: () => number
  readonly run: Ref<KeptRun | undefined>
  readonly unsent: Ref<number>
  readonly trouble: Ref<string>
  readonly measured: OwnClock['measured']
  readonly recall: (visitId: string) => Promise<void>
}

const savedWords = (unsent: number, trouble: string, aside: number): string =>
  unsent > 0 ? `${unsent} kept on this tablet. ${trouble}` : trouble || asideWords(aside) || 'Saved'

const asideWords = (count: number): string => {
  if (count === 0) return ''
  return count === 1
    ? 'One entry is on this tablet alone: the server did not take it. Put it in the note.'
    : `${count} entries are on this tablet alone: the server did not take them. Put them in the note.`
}

/** Sends what waits, one request at a time; what was said meanwhile goes at once after it. */
function sender({ run, unsent, trouble, measured, recall, clock }: Sending) {
  let sending = false
  let isAsked = false
  const held = new Set<string>()
  const outbox = useOutboxStore()
  const { account } = storeToRefs(useSessionStore())
  // Somebody else may be allowed to.
  watch(account, () => held.clear())

  async function send(): Promise<void> {
    if (!run.value || sending || (unsent.value <= held.size && !isAsked)) return
    sending = true
    isAsked = false
    const went = await sendOnce(run.value.visitId)
    sending = false
    if (went || isAsked) await send()
  }
  /** Another tablet of this visit has said something: the whole log comes with the answer. */
  const follow = () => {
    isAsked = true
    return send()
  }

  /** One request, after the changes of the record that were made before it. True when more may go at once. */
  async function sendOnce(visitId: string): Promise<boolean> {
    if (!(await outbox.sentBefore(visitId))) {
      trouble.value = outbox.trouble
      return false
    }
    const askedMs = Date.now()
    const { reply, refusal, hold, mayGoOn } = await bringPart(visitId, held, clock())
    for (const id of hold) held.add(id)
    if (reply) measured(reply, askedMs)
    if (refusal) trouble.value = refusal.status === 401 ? SIGNED_OUT : refusal.detail
    else trouble.value = held.size > 0 ? HELD : ''
    await recall(visitId)
    return mayGoOn
  }
  return { send, follow }
}
