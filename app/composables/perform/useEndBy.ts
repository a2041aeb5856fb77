import type { RunBody } from '#core/perform'

const GRID_MS = 300_000
const roundedDown = (ms: number): number => Math.floor((ms - 1) / GRID_MS) * GRID_MS

/** When the visit is booked to end. */
export function useBookedEnd() {
  const { store } = useRunning()
  return computed(() => {
    const { head, input } = store.run ?? {}
    if (!head || !input) return undefined
    const minutes = input.fit?.slotMinutes ?? input.slotMinutes
    return Date.parse(head.startsAt) + minutes * 60_000
  })
}

/** The visit has to end by a time: what that costs is fitted and shown before anything is said. */
export function useEndBy() {
  const { store, live, now } = useRunning()
  const bookedMs = useBookedEnd()
  const endMs = ref(0)
  /** How much longer hands take from now on; percent. */
  const slowerBy = ref(0)
  const preview = useFitPreview()

  /** What would be said of it; nothing of the pace where it stays. */
  const said = (): RunBody[] => [
    ...(slowerBy.value === store.state?.slowerBy
      ? []
      : [{ type: 'slower' as const, percent: slowerBy.value }]),
    { type: 'ends', atMs: endMs.value },
  ]
  function choose(ms: number) {
    endMs.value = Math.max(ms, now.value)
    return preview.tryOut(said())
  }
  function slower(percent: number) {
    slowerBy.value = percent
    return choose(endMs.value)
  }
  /** Opens with the end that was said, else the booked one where it runs over that, else a little earlier than it goes. */
  function open() {
    slowerBy.value = store.state?.slowerBy ?? 0
    const sooner = roundedDown(live.value?.finishMs ?? now.value)
    return choose(store.state?.endsMs ?? Math.min(bookedMs.value ?? sooner, sooner))
  }
  const earlier = () => choose(endMs.value - GRID_MS)
  const later = () => choose(endMs.value + GRID_MS)
  /** Nothing more can go, and even so it is later than asked. */
  const isTooLate = computed(
    () => preview.afterMs.value !== undefined && preview.afterMs.value > endMs.value + 999,
  )
  return {
    ...{ ...preview, endMs, slowerBy, bookedMs, isTooLate },
    ...{ said, open, choose, slower, earlier, later },
  }
}
