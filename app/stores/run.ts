import { defineStore } from 'pinia'
import { liveAt, reduceRun, underwayOf, type RunBody, type RunEvent } from '#core/perform'
import { call, refusalOf } from '~/support/api'
import {
  keepEvent,
  keepRun,
  keptEvents,
  keptRun,
  markSent,
  type KeptRun,
} from '~/support/perform/run-db'
import type { VisitData } from './visit'

const RETRY_MS = 4000
const TICK_MS = 250

function deviceId(): string {
  const known = localStorage.getItem('zen-device') ?? crypto.randomUUID()
  localStorage.setItem('zen-device', known)
  return known
}

/** A running visit on this tablet: kept in IndexedDB first, sent to the server when there is a network. */
export const useRunStore = defineStore('run', () => {
  const run = ref<KeptRun>()
  const events = ref<RunEvent[]>([])
  const unsent = ref(0)
  const trouble = ref('')
  const nowMs = ref(Date.now())
  const state = computed(() => run.value && reduceRun(run.value.plan, events.value))
  const plan = computed(() => state.value?.plan)
  const live = computed(() => state.value && liveAt(state.value.plan, state.value, nowMs.value))
  let sending = false
  let timers: number[] = []

  async function open(visitId: string) {
    close()
    run.value = await keptRun(visitId)
    await recall(visitId)
    await refresh(visitId)
    if (answeredSinceFit()) await fitAgain()
    timers = [
      window.setInterval(() => {
        nowMs.value = Date.now()
      }, TICK_MS),
      window.setInterval(() => void send(), RETRY_MS),
    ]
    window.addEventListener('online', sendSoon)
  }
  function close() {
    timers.forEach((timer) => window.clearInterval(timer))
    timers = []
    window.removeEventListener('online', sendSoon)
  }
  const sendSoon = () => void send()

  async function recall(visitId: string) {
    const kept = await keptEvents(visitId)
    events.value = kept.map((one) => one.event)
    unsent.value = kept.filter((one) => one.sent === 0).length
  }

  /** Asks the server for plan and log; without a network what is kept here serves. */
  async function refresh(visitId: string) {
    const session = useSessionStore()
    try {
      const data = await call<VisitData>(`/api/visits/${visitId}`)
      if (data.plan) {
        run.value = {
          visitId,
          head: data.visit,
          planId: data.plan.id,
          plan: data.plan.plan,
          input: data.input,
          lastReading: data.lastReading,
          next: data.following,
          emergency: {
            number: session.salon?.emergencyNumber ?? '',
            address: session.salon?.address ?? '',
          },
        }
        await keepRun(JSON.parse(JSON.stringify(run.value)) as KeptRun)
      }
      await markSent(visitId, data.events)
      await recall(visitId)
      trouble.value = ''
    } catch (error) {
      trouble.value = refusalOf(error).detail
    }
    await send()
  }

  /** Writes an event here, shows it, then sends it. Gives the event, so that it can be taken back. */
  async function say(body: RunBody): Promise<RunEvent> {
    nowMs.value = Date.now()
    // Plain all through: what a screen hands over may be reactive, and that is not kept.
    const event: RunEvent = {
      id: crypto.randomUUID(),
      deviceId: deviceId(),
      seq: events.value.length,
      wallMs: nowMs.value,
      elapsedMs: performance.now(),
      body: JSON.parse(JSON.stringify(body)) as RunBody,
    }
    await keepEvent(run.value!.visitId, event)
    events.value = [...events.value, event]
    unsent.value++
    void send()
    return event
  }

  /** An answer under the lamp that no fit has taken in: the tablet went off in between. */
  function answeredSinceFit(): boolean {
    if (!state.value || state.value.finishedMs !== undefined) return false
    const types = state.value.events.map((event) => event.body.type)
    return (
      Math.max(types.lastIndexOf('read'), types.lastIndexOf('checked')) >
      types.lastIndexOf('replanned')
    )
  }

  /** Fits the rest again from now, with what is already on the skin; the new ladder is kept as an event, never computed anew. */
  async function fitAgain(): Promise<string | undefined> {
    const { input } = run.value!
    const now = Date.now()
    const { plan: before, reading, checks, stung } = state.value!
    const underway = underwayOf(state.value!, liveAt(before, state.value!, now), now)
    const next = await useFitter().fit(
      { ...input, reading: reading ?? input.reading, gates: Object.fromEntries(checks), stung },
      { plan: before, underway },
    )
    if (next.status !== 'ready') return next.problems.join(' ')
    await say({ type: 'replanned', plan: next })
    return undefined
  }

  async function send() {
    if (!run.value || sending || unsent.value === 0) return
    const { visitId } = run.value
    sending = true
    try {
      const waiting = (await keptEvents(visitId))
        .filter((one) => one.sent === 0)
        .map((one) => one.event)
      const reply = await call<{ events: RunEvent[] }>(`/api/visits/${visitId}/events`, {
        method: 'POST',
        body: { events: waiting },
      })
      await markSent(visitId, reply.events)
      await recall(visitId)
      trouble.value = ''
    } catch (error) {
      const refusal = refusalOf(error)
      trouble.value =
        refusal.status === 401
          ? 'Signed out: go on working. It is saved here, and sent when you sign in again.'
          : refusal.detail
    } finally {
      sending = false
    }
  }
  return {
    run,
    events,
    unsent,
    trouble,
    nowMs,
    state,
    plan,
    live,
    open,
    close,
    say,
    fitAgain,
    send,
  }
})
