import { defineStore } from 'pinia'
import { hasLadder } from '#core/adapt'
import {
  inputUnderway,
  knownBefore,
  liveAt,
  reduceRun,
  underwayOf,
  type RunBody,
  type RunEvent,
  type RunState,
} from '#core/perform'
import { call, refusalOf } from '~/support/api'
import {
  keepEvent,
  keepRun,
  keptEvents,
  keptRun,
  markSent,
  setAside,
  type KeptRun,
} from '~/support/perform/run-db'
import { deviceId, ownClock, runClocks, type OwnClock } from '~/support/perform/run-clock'
import { nextPart, refusedOf } from '~/support/perform/sending'
import { plain } from '~/support/plain'
import type { VisitData } from './visit-data'

const SIGNED_OUT = 'Signed out: go on working. It is saved here, and sent when you sign in again.'

const NOT_KEPT =
  'This tablet could not keep what was tapped last. Tap it again; if it stays so, write it down.'
const HELD = 'It waits for a practitioner to sign in here.'
const NOT_YOURS =
  'Fitting the rest is for a practitioner: call one. Until then leave out what hangs on it.'

/** A running visit on this tablet: kept in IndexedDB first, sent to the server when there is a network. */
export const useRunStore = defineStore('run', () => {
  const log = runLog()
  const { run, events, unsent, saved, trouble, nowMs, behindMs, say, send, follow, clock } = log
  const state = computed(() => run.value && reduceRun(run.value.plan, events.value))
  const plan = computed(() => state.value?.plan)
  const live = computed(() => state.value && liveAt(state.value.plan, state.value, nowMs.value))
  /** Another tablet has said something of this visit. */
  const isShared = computed(() => events.value.some((event) => event.deviceId !== deviceId()))
  const clocks = runClocks(nowMs, clock, send)

  async function open(visitId: string) {
    close()
    await log.open(visitId)
    if (state.value && isAnsweredSinceFit(state.value)) await fitAgain()
    clocks.start()
  }
  const close = () => clocks.stop()

  /** Why whoever is signed in may not read the skin or fit the rest; undefined where they may. */
  const mayNotFit = () => (useSessionStore().can('health.write') ? undefined : NOT_YOURS)

  /** The rest as it is fitted from now, with what is already on the skin; `bodies`: as if that had been said. Nothing is said of it. */
  async function fitted(bodies: readonly RunBody[] = []) {
    const now = momentOf(events.value.at(-1), clock())
    const said = reduceRun(run.value!.plan, [
      ...events.value,
      ...eventsOf(bodies, events.value.length, now),
    ])
    const underway = underwayOf(said, liveAt(said.plan, said, now), now)
    const input = inputUnderway(knownBefore(run.value!.input, events.value), said)
    return { now, next: await useFitter().fit(input, { plan: said.plan, underway }) }
  }

  /** Fits the rest again from now; the new ladder is kept as an event, never computed anew. */
  async function fitAgain(): Promise<string | undefined> {
    const notYours = mayNotFit()
    if (notYours) return notYours
    const { now, next } = await fitted()
    if (!hasLadder(next)) return next.problems.join(' ')
    await say({ type: 'replanned', plan: next, fromMs: now })
    return undefined
  }
  return {
    ...{ run, events, unsent, saved, trouble, nowMs, behindMs, isShared },
    ...{ state, plan, live },
    ...{ deviceId: deviceId(), open, close, say, follow, fitted, fitAgain, mayNotFit, send },
  }
})

/** An answer that no fit has taken in: the tablet went off in between. */
function isAnsweredSinceFit({ finishedMs, events }: RunState): boolean {
  if (finishedMs !== undefined) return false
  const answers = events.findLastIndex(
    ({ body }) =>
      body.type === 'read' ||
      body.type === 'checked' ||
      body.type === 'ends' ||
      body.type === 'refused' ||
      body.type === 'slower' ||
      body.type === 'called' ||
      (body.type === 'sensation' && body.beyond === true),
  )
  return answers > events.findLastIndex(({ body }) => body.type === 'replanned')
}

/** So soon after an answer nobody has begun anything that was not said, however long this tablet takes to keep it. */
const AT_ONCE_MS = 20_000
/** The moment a fit is made from: that of the answer just given, else now. */
const momentOf = (last: RunEvent | undefined, nowMs: number): number => {
  const sinceMs = last === undefined ? Infinity : nowMs - last.wallMs
  return sinceMs >= 0 && sinceMs <= AT_ONCE_MS ? last!.wallMs : nowMs
}

/** How far the log has been kept, and in words; what is laid aside is said as long as it is. */
function howKept() {
  const unsent = ref(0)
  const aside = ref(0)
  const trouble = ref('')
  const saved = computed(() => savedWords(unsent.value, trouble.value, aside.value))
  return { unsent, aside, trouble, saved }
}

/** The log of a run: on the tablet first, then on the server. */
function runLog() {
  const run = ref<KeptRun>()
  const events = ref<RunEvent[]>([])
  const { unsent, aside, trouble, saved } = howKept()
  const { nowMs, behindMs, clock, measured } = ownClock(events)

  /** Said and seen, and not read back yet: a reading of what is kept that began before it must not hide it. */
  const said = new Set<RunEvent>()

  async function recall(visitId: string) {
    const kept = await keptEvents(visitId)
    const ids = new Set(kept.map(({ id }) => id))
    for (const event of said) if (ids.has(event.id)) said.delete(event)
    events.value = [...kept.map(({ event }) => event), ...said]
    unsent.value = kept.filter(({ sent }) => sent === 0).length + said.size
    aside.value = kept.filter(({ sent }) => sent === 2).length
    // In the same breath: times set right beside a clock that is not yet would show the run hours on, or not begun.
    nowMs.value = clock()
  }
  const { send, follow } = sender({ run, unsent, trouble, measured, recall, clock })

  /** Asks the server for plan and log; without a network what is kept here serves. */
  async function open(visitId: string) {
    said.clear()
    run.value = await keptRun(visitId)
    await recall(visitId)
    try {
      const data = await call('/api/visits/:id', { params: { id: visitId } })
      if (data.plan) run.value = await kept(data, data.plan)
      await markSent(visitId, data.events)
      await recall(visitId)
      trouble.value = ''
    } catch (error) {
      trouble.value = refusalOf(error).detail
    }
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

const eventsOf = (bodies: readonly RunBody[], seq: number, wallMs: number): RunEvent[] =>
  bodies.map((body, at) => eventOf(body, seq + at, wallMs))

const eventOf = (body: RunBody, seq: number, wallMs: number): RunEvent => ({
  id: crypto.randomUUID(),
  deviceId: deviceId(),
  ...{ seq, wallMs },
  elapsedMs: performance.now(),
  body: plain(body),
})

async function kept(data: VisitData, plan: NonNullable<VisitData['plan']>): Promise<KeptRun> {
  const { salon } = useSessionStore()
  const run = plain<KeptRun>({
    visitId: data.visit.id,
    head: data.visit,
    planId: plan.id,
    plan: plan.plan,
    input: data.input,
    lastReading: data.lastReading,
    next: data.following,
    emergency: { number: salon?.emergencyNumber ?? '', address: salon?.address ?? '' },
  })
  await keepRun(run)
  return run
}

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

  /** One request. True when more may go at once: it was taken, or what hindered it is out of the way. */
  async function sendOnce(visitId: string): Promise<boolean> {
    const { part, behind } = nextPart(await keptEvents(visitId), held)
    for (const event of behind) await setAside(visitId, event)
    const askedMs = Date.now()
    try {
      const reply = await call('/api/visits/:id/events', {
        method: 'post',
        params: { id: visitId },
        body: { events: part, clockMs: clock() },
      })
      measured(reply, askedMs)
      await markSent(visitId, reply.events)
      trouble.value = held.size > 0 ? HELD : ''
      return part.length > 0
    } catch (error) {
      const refusal = refusalOf(error)
      trouble.value = refusal.status === 401 ? SIGNED_OUT : refusal.detail
      const { hold, aside } = refusedOf(part, refusal)
      for (const { id } of hold) held.add(id)
      for (const event of aside) await setAside(visitId, event)
      return hold.length + aside.length > 0
    } finally {
      await recall(visitId)
    }
  }
  return { send, follow }
}
