import { useEventListener, useIntervalFn } from '@vueuse/core'
import { call, mayRetry, refusalOf } from '~/support/api'
import { heldDay } from '~/support/held-visits'
import { clockTime } from '~/support/time'
import type { Day, FirstThing } from '~/support/today/board'
import { layByDay } from '~/support/today/lay-by'

const NOW_EVERY_MS = 15_000

/** The day on the board, kept as it is on every other screen; and what is to be done first, which it does not wait for. */
export function useDay(date: () => string | undefined) {
  const first = ref<FirstThing[]>()
  const nowMs = ref(Date.now())
  const { day, trouble, isAway, load } = dayLoader(date)

  async function loadFirst() {
    try {
      first.value = await call('/api/day/first')
    } catch (error) {
      trouble.value ||= refusalOf(error).detail
    }
  }
  const loadBoth = () => {
    void load()
    void loadFirst()
  }
  // Without a connection the server is asked again from time to time.
  const askAgain = () => isAway.value && loadBoth()
  useIntervalFn(() => {
    nowMs.value = Date.now()
    askAgain()
  }, NOW_EVERY_MS)
  useEventListener(window, 'online', askAgain)
  watch(date, load, { immediate: true })
  onMounted(loadFirst)
  // Each tap of a run is the run's; what it does to the day changes the visit too.
  useLive(loadBoth, ({ what }) => what !== 'run_event')
  return { day, first, trouble, nowMs, load }
}

/** Asks for the day; where the server cannot be reached, the day as this tablet had it. */
function dayLoader(date: () => string | undefined) {
  const day = ref<Day>()
  const trouble = ref('')
  const isAway = ref(false)
  let asked = 0
  async function load() {
    const mine = ++asked
    const wanted = date()
    try {
      const told = await call('/api/day', { query: wanted === undefined ? {} : { date: wanted } })
      if (mine !== asked) return
      day.value = told
      trouble.value = ''
      isAway.value = false
      void layByDay(told)
    } catch (error) {
      const { status, detail } = refusalOf(error)
      const held = mayRetry(status) ? await heldDay() : undefined
      if (mine !== asked) return
      isAway.value = mayRetry(status)
      const isHeld = held !== undefined && held.data.date === (wanted ?? held.data.today)
      if (isHeld) day.value = held.data
      trouble.value = isHeld ? asOf(held.atMs, held.data.timeZone) : detail
    }
  }
  return { day, trouble, isAway, load }
}

const asOf = (atMs: number, timeZone: string): string =>
  `No connection. This is the day as this tablet had it at ${clockTime(atMs, timeZone)}.`
