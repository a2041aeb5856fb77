import { useIntervalFn } from '@vueuse/core'
import { call, refusalOf } from '~/support/api'
import type { Day, FirstThing } from '~/support/today/board'

const NOW_EVERY_MS = 15_000

/** The day on the board, kept as it is on every other screen; and what is to be done first, which it does not wait for. */
export function useDay(date: () => string | undefined) {
  const day = ref<Day>()
  const first = ref<FirstThing[]>()
  const trouble = ref('')
  const nowMs = ref(Date.now())
  useIntervalFn(() => {
    nowMs.value = Date.now()
  }, NOW_EVERY_MS)

  let asked = 0
  async function load() {
    const mine = ++asked
    const wanted = date()
    try {
      const told = await call('/api/day', { query: wanted === undefined ? {} : { date: wanted } })
      if (mine !== asked) return
      day.value = told
      trouble.value = ''
    } catch (error) {
      trouble.value = refusalOf(error).detail
    }
  }
  async function loadFirst() {
    try {
      first.value = await call('/api/day/first')
    } catch (error) {
      trouble.value = refusalOf(error).detail
    }
  }
  watch(date, load, { immediate: true })
  onMounted(loadFirst)
  // Each tap of a run is the run's; what it does to the day changes the visit too.
  useLive(
    () => {
      void load()
      void loadFirst()
    },
    ({ what }) => what !== 'run_event',
  )
  return { day, first, trouble, nowMs, load }
}
