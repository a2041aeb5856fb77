import { roomAfter, type RoomTask } from '#core/perform'

/** The room between this client and the next one, once the visit is over. */
export function useTurnover() {
  const { store, now } = useRunning()
  const turnover = computed(
    () => store.run && store.state && roomAfter(store.run.input, store.state, now.value),
  )
  const bookedMs = computed(() => {
    const until = store.run?.head.roomUntil
    return until ? Date.parse(until) : undefined
  })
  /** Done; touched once more it is to do again. */
  async function tick({ id }: RoomTask) {
    const said = store.state?.turned.get(id)
    await store.say(
      said ? { type: 'retract', eventId: said.eventId } : { type: 'turned', taskId: id },
    )
  }
  return { turnover, bookedMs, tick }
}
