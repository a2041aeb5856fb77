import { defineStore } from 'pinia'
import { runLog } from '~/support/perform/run-log'

/** One visit beside the one on the screen: its log, read and written as that one's is. */
interface Beside {
  readonly visitId: string
  readonly log: ReturnType<typeof runLog>
  readonly scope: ReturnType<typeof effectScope>
}

/** From one room to another. */
export interface RoomMove {
  readonly fromId: string
  readonly toId: string
}

/** Visits that take turns with the one on the screen: the same person performs them, in other rooms. */
export const useRoomsStore = defineStore('rooms', () => {
  const beside = shallowRef<readonly Beside[]>([])
  /** A change-over that is being asked about. */
  const asked = ref<RoomMove>()

  function begin(visitId: string): Beside {
    const scope = effectScope(true)
    return { visitId, scope, log: scope.run(runLog)! }
  }
  async function open(visitIds: readonly string[]) {
    for (const { scope, visitId } of beside.value) if (!visitIds.includes(visitId)) scope.stop()
    beside.value = visitIds.map(
      (id) => beside.value.find(({ visitId }) => visitId === id) ?? begin(id),
    )
    await Promise.all(beside.value.map(({ visitId, log }) => log.open(visitId)))
  }
  /** What was said in those rooms meanwhile; what waits here goes along. */
  const follow = () => Promise.all(beside.value.map(({ log }) => log.follow()))
  return { beside, asked, open, follow }
})
