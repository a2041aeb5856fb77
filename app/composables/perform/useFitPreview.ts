import { hasLadder, newChanges, type FittedPlan } from '#core/adapt'
import type { RunBody } from '#core/perform'

/** What saying something would make of the rest: fitted and shown before anything is said. */
export function useFitPreview() {
  const { store, plan, live, now, startedMs } = useRunning()
  const found = shallowRef<FittedPlan>()
  const trouble = ref('')
  const isBusy = ref(false)
  let asked = 0

  /** Fits as if that had been said; what was asked before and comes later is let go. `against`: what speaks against what was found. */
  async function tryOut(
    said: readonly RunBody[],
    against: (found: FittedPlan) => string | undefined = () => undefined,
  ) {
    const turn = ++asked
    isBusy.value = true
    found.value = undefined
    trouble.value = store.mayNotFit() ?? ''
    if (!trouble.value) {
      const { next } = await store.fitted(said)
      if (turn !== asked) return
      trouble.value = (hasLadder(next) ? against(next) : next.problems.join(' ')) ?? ''
      if (!trouble.value) found.value = next
    }
    isBusy.value = false
  }
  /** Nothing is chosen any more. */
  function forget() {
    asked++
    isBusy.value = false
    found.value = undefined
    trouble.value = ''
  }
  const afterMs = computed(() =>
    found.value && startedMs.value !== undefined
      ? startedMs.value + found.value.totalS * 1000
      : undefined,
  )
  const changes = computed(() => newChanges(found.value?.changes ?? [], plan.value?.changes ?? []))
  const beforeMs = computed(() => live.value?.finishMs ?? now.value)
  /** What the button says that takes it, and why it does not where it waits. */
  const takeWords = computed(() => {
    if (isBusy.value) return 'Fitting …'
    return found.value ? 'Take it' : 'Nothing to take'
  })
  const whyNotTake = computed(() => {
    if (isBusy.value) return 'The rest is still being fitted.'
    return found.value ? undefined : trouble.value || 'Nothing is chosen yet.'
  })
  const shown = reactive({ trouble, isBusy, beforeMs, afterMs, changes })
  return { tryOut, forget, shown, afterMs, beforeMs, whyNotTake, takeWords }
}
