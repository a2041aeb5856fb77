import { useIntervalFn, useWakeLock } from '@vueuse/core'

/** What a run is made of. */
const WHAT: ReadonlySet<string> = new Set(['run_event', 'fitted_plan'])
const ASK_MS = 30_000

/** Opens a visit's run as long as its page is there: the screen stays awake, and what other tablets say is heard. */
export function useOpenRun(visitId: () => string) {
  const { store, startedMs } = useRunning()
  const outbox = useOutboxStore()
  const ready = ref(false)
  watch(
    visitId,
    async (id) => {
      await store.open(id)
      ready.value = true
      // Whoever comes to a run of another tablet asks once more: the answer sets an impossible clock right.
      if (store.isShared) await store.follow()
    },
    { immediate: true },
  )
  // Before it has begun the ladder may still change elsewhere; after that the run says everything.
  useLive(
    () => void (startedMs.value === undefined ? store.open(visitId()) : store.follow()),
    ({ what, id, by }) => id === visitId() && WHAT.has(what) && by !== store.deviceId,
  )
  // What had waited has gone: what was known elsewhere meanwhile may change what is left.
  watch(
    () => outbox.late,
    () => void store.open(visitId()),
  )
  // Where what stands in between lets no stream through, those who share a visit ask.
  useIntervalFn(() => {
    if (store.isShared) void store.follow()
  }, ASK_MS)
  const wake = useWakeLock()
  onMounted(() => {
    void wake.request('screen')
  })
  const opened = visitId()
  onBeforeUnmount(() => {
    // Another room may be open already.
    store.close(opened)
    void wake.release()
  })
  return { ready }
}
