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
import { deviceId, runClocks } from '~/support/perform/run-clock'
import { eventsOf, runLog } from '~/support/perform/run-log'

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
    if (state.value && isToFit(state.value, run.value!.faults)) await fitAgain()
    clocks.start()
  }
  /** As long as that visit is the one that is open. */
  const close = (visitId = run.value?.visitId) => visitId === run.value?.visitId && clocks.stop()

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

/** What is left is to be fitted: an answer was not taken in yet; or it was fitted here without a network, and something else was known elsewhere by then. */
const isToFit = (state: RunState, faults: readonly string[]): boolean =>
  isAnsweredSinceFit(state) || (faults.length > 0 && isUnderway(state) && !isFittedSince(state))
const isUnderway = ({ startedMs, finishedMs }: RunState): boolean =>
  startedMs !== undefined && finishedMs === undefined
const isFittedSince = ({ events }: RunState): boolean =>
  events.some(({ body }) => body.type === 'replanned')

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
