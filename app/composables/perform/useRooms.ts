import { useIntervalFn } from '@vueuse/core'
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

/** A visit in its room, as it stands now. */
export interface Room {
  readonly visitId: string
  readonly name: string
  readonly isOnScreen: boolean
  readonly run: KeptRun
  readonly state: RunState
  readonly live: Live
  readonly say: (body: RunBody) => Promise<unknown>
}

const isRunning = ({ state }: Room): boolean =>
  state.startedMs !== undefined && state.finishedMs === undefined
/** Somebody is with this client, as far as anybody has said. */
const isPresent = (room: Room): boolean =>
  isRunning(room) && whereabouts(room.state.absences) === 'here'

/** The room on the screen and those that take turns with it, and where whoever performs them is. */
function useRoomList() {
  const store = useRunStore()
  const rooms = useRoomsStore()
  const here = computed((): Room | undefined => {
    const { run, state, live } = store
    if (!run || !state || !live) return undefined
    const { visitId, head } = run
    return { visitId, name: head.room, isOnScreen: true, run, state, live, say: store.say }
  })
  const others = computed((): Room[] =>
    rooms.beside.flatMap(({ visitId, log }) => {
      const run = log.run.value
      if (!run || visitId === here.value?.visitId) return []
      const state = reduceRun(run.plan, log.events.value)
      if (state.finishedMs !== undefined) return []
      const live = liveAt(state.plan, state, store.nowMs)
      return [{ visitId, name: run.head.room, isOnScreen: false, run, state, live, say: log.say }]
    }),
  )
  const all = computed(() => (here.value ? [here.value, ...others.value] : others.value))
  /** Undefined before anything has begun, or between two rooms. */
  const present = computed(() => all.value.find(isPresent))
  const isElsewhere = computed(() => present.value !== undefined && !present.value.isOnScreen)
  const roomOf = (visitId: string | undefined) => all.value.find((room) => room.visitId === visitId)
  return { here, others, present, isElsewhere, roomOf }
}

/** What each room asks for next, and how hands go from one to the other. */
export function useRooms() {
  const store = useRunStore()
  const rooms = useRoomsStore()
  const list = useRoomList()
  const { others, present, roomOf } = list
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
  const ask = (to: Room) => {
    const from = present.value
    if (from && from !== to) rooms.asked = { fromId: from.visitId, toId: to.visitId }
    else void go(undefined, to)
  }
  /** Hands leave one room, with the call bell where something lies on the client, and come to another. */
  async function go(from: Room | undefined, to: Room) {
    rooms.asked = undefined
    const bell = from && from.live.layers.length > 0 ? { bell: true as const } : {}
    if (from) await from.say({ type: 'left', ...bell })
    if (isRunning(to) && whereabouts(to.state.absences) === 'away') await to.say({ type: 'came' })
    if (!to.isOnScreen) await navigateTo(`/visits/${to.visitId}/perform`)
  }
  const move = computed(() => {
    const [from, to] = [roomOf(rooms.asked?.fromId), roomOf(rooms.asked?.toId)]
    if (!from || !to) return undefined
    return { from, to, stay: staysFor(from.live, store.nowMs) }
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
  const ids = computed(() => store.run?.beside ?? [])
  watch(
    () => ids.value.join(' '),
    () => void rooms.open(ids.value),
    { immediate: true },
  )
  useLive(
    () => void rooms.follow(),
    ({ what, id, by }) => what === 'run_event' && ids.value.includes(id) && by !== store.deviceId,
  )
  // What was said in the room that was left may still wait here.
  useIntervalFn(() => void rooms.follow(), ASK_MS)
  onBeforeUnmount(() => {
    rooms.asked = undefined
  })
}
