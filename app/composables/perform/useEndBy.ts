import { hasLadder, type FittedPlan } from '#core/adapt'
import { newChanges } from '~/support/perform/running'

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
  const { store, plan, live, now, startedMs } = useRunning()
  const bookedMs = useBookedEnd()
  const endMs = ref(0)
  const found = shallowRef<FittedPlan>()
  const trouble = ref('')
  const isBusy = ref(false)
  let asked = 0

  /** Fits for a chosen end; what was asked before and comes later is let go. */
  async function choose(ms: number) {
    endMs.value = Math.max(ms, now.value)
    const turn = ++asked
    isBusy.value = true
    found.value = undefined
    trouble.value = store.mayNotFit() ?? ''
    if (!trouble.value) {
      const { next } = await store.fitted(endMs.value)
      if (turn !== asked) return
      if (hasLadder(next)) found.value = next
      else trouble.value = next.problems.join(' ')
    }
    isBusy.value = false
  }
  /** Opens with the end that was said, else the booked one where it runs over that, else a little earlier than it goes. */
  function open() {
    const sooner = roundedDown(live.value?.finishMs ?? now.value)
    return choose(store.state?.endsMs ?? Math.min(bookedMs.value ?? sooner, sooner))
  }
  const earlier = () => choose(endMs.value - GRID_MS)
  const later = () => choose(endMs.value + GRID_MS)

  const afterMs = computed(() =>
    found.value && startedMs.value !== undefined
      ? startedMs.value + found.value.totalS * 1000
      : undefined,
  )
  const changes = computed(() => newChanges(found.value?.changes ?? [], plan.value?.changes ?? []))
  /** Nothing more can go, and even so it is later than asked. */
  const isTooLate = computed(() => afterMs.value !== undefined && afterMs.value > endMs.value + 999)
  const beforeMs = computed(() => live.value?.finishMs ?? now.value)
  return {
    ...{ endMs, found, trouble, isBusy, bookedMs, beforeMs, afterMs, changes, isTooLate },
    ...{ open, choose, earlier, later },
  }
}
