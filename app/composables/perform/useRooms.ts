import { createSharedComposable, useIntervalFn } from '@vueuse/core'
import {
  clashWith,
  liveAt,
  nextDue,
  reduceRun,
  staysFor,
  whereabouts,
  type Live,
  type RunBody,
  type RunState,
} from '#core/perform'
import type { KeptRun } from '~/support/perform/run-db'

/** Where a visit is. */
export interface Place {
  readonly visitId: string
  readonly name: string
}
/** A visit in its room, as it stands now. */
export interface Room extends Place {
  readonly isOnScreen: boolean
  readonly run: KeptRun
  readonly state: RunState
  readonly live: Live
  readonly titleOf: (stepId: string) => string
  readonly say: (body: RunBody) => Promise<unknown>
}

const titlesIn =
  ({ plan }: RunState) =>
  (stepId: string): string =>
    plan.steps.find(({ id }) => id === stepId)?.title ?? ''

const isRunning = ({ state }: Room): boolean =>
  state.startedMs !== undefined && state.finishedMs === undefined
/** Somebody is with this client, as far as anybody has said. */
const isPresent = (room: Room): boolean =>
  isRunning(room) && whereabouts(room.state.absences) === 'here'

/** The room on the screen and those that take turns with it, and where whoever performs them is. */
const useRoomList = createSharedComposable(() => {
  const store = useRunStore()
  const rooms = useRoomsStore()
  const here = computed((): Room | undefined => {
    const { run, state, live } = store
    if (!run || !state || !live) return undefined
    const { visitId, head } = run
    return {
      visitId,
      name: head.room,
      isOnScreen: true,
      run,
      state,
      live,
      titleOf: titlesIn(state),
      say: store.say,
    }
  })
  const others = computed((): Room[] =>
    rooms.beside.flatMap(({ visitId, log }) => {
      const run = log.run.value
      if (!run || visitId === here.value?.visitId) return []
      const state = reduceRun(run.plan, log.events.value)
      if (state.finishedMs !== undefined) return []
      const live = liveAt(state.plan, state, store.nowMs)
      const known = { run, state, live, titleOf: titlesIn(state), say: log.say }
      return [{ visitId, name: run.head.room, isOnScreen: false, ...known }]
    }),
  )
  const all = computed(() => (here.value ? [here.value, ...others.value] : others.value))
  /** Undefined before anything has begun, or between two rooms. */
  const present = computed(() => all.value.find(isPresent))
  const isElsewhere = computed(() => present.value !== undefined && !present.value.isOnScreen)
  const roomOf = (visitId: string | undefined) => all.value.find((room) => room.visitId === visitId)
  /** Clients who are there, and whose ladder is not fitted yet. */
  const unfitted = computed(() => {
    const known = new Set(
      rooms.beside.flatMap(({ visitId, log }) => (log.run.value ? [visitId] : [])),
    )
    return (store.run?.beside ?? [])
      .filter(({ id }) => !known.has(id))
      .map(({ id, room, startsAt }) => ({ visitId: id, name: room, startsAt }))
  })
  return { here, others, unfitted, present, isElsewhere, roomOf }
})

/** What each room asks for next, and how hands go from one to the other. */
export function useRooms() {
  const store = useRunStore()
  const rooms = useRoomsStore()
  const list = useRoomList()
  const { others, unfitted, present, roomOf } = list
  /** What each of the others asks for next, and what it would wait for in vain. */
  const lines = computed(() =>
    others.value.map((room) => ({
      room,
      next: isRunning(room) ? nextDue(room.live, store.nowMs) : undefined,
      clash:
        present.value && present.value !== room
          ? clashWith(present.value.live, room.live, store.nowMs)
          : undefined,
      isThere: room === present.value,
    })),
  )
  const ask = (to: Place) => {
    const from = present.value
    if (from && from.visitId !== to.visitId)
      rooms.asked = { fromId: from.visitId, toId: to.visitId }
    else void go(undefined, to)
  }
  /** Hands leave one room, with the call bell where something lies on the client, and come to another. */
  async function go(from: Room | undefined, to: Place) {
    rooms.asked = undefined
    const bell = from && from.live.layers.length > 0 ? { bell: true as const } : {}
    if (from) await from.say({ type: 'left', ...bell })
    const room = roomOf(to.visitId)
    if (!room) return navigateTo(`/visits/${to.visitId}/consult`)
    if (isRunning(room) && whereabouts(room.state.absences) === 'away')
      await room.say({ type: 'came' })
    if (!room.isOnScreen) await navigateTo(`/visits/${to.visitId}/perform`)
  }
  const move = computed(() => {
    const { fromId, toId } = rooms.asked ?? {}
    const from = roomOf(fromId)
    const room = roomOf(toId)
    const to = room ?? unfitted.value.find(({ visitId }) => visitId === toId)
    return from && to && { from, to, room, stay: staysFor(from.live, store.nowMs) }
  })
  const forget = () => {
    rooms.asked = undefined
  }
  return { ...list, lines, ask, go, move, forget }
}

const ASK_MS = 30_000
/** Opens the rooms beside the visit on the screen, and hears what is said in them. */
export function useOpenRooms() {
  const store = useRunStore()
  const rooms = useRoomsStore()
  const ids = computed(() => (store.run?.beside ?? []).map(({ id }) => id))
  const isBeside = (id: string) => ids.value.includes(id)
  watch(
    () => ids.value.join(' '),
    () => void rooms.open(ids.value),
    { immediate: true },
  )
  useLive(
    () => void rooms.follow(),
    ({ what, id, by }) => what === 'run_event' && isBeside(id) && by !== store.deviceId,
  )
  useLive(
    () => void rooms.open(ids.value),
    ({ what, id }) => what === 'fitted_plan' && isBeside(id),
  )
  // What was said in the room that was left may still wait here.
  useIntervalFn(() => void rooms.follow(), ASK_MS)
  onBeforeUnmount(() => {
    rooms.asked = undefined
  })
}
