import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest'
import { ref } from 'vue'
import { runClocks } from './run-clock'

const START = Date.parse('2026-11-24T09:00:00.700Z')

describe('the clock of a run', () => {
  beforeEach(() => {
    vi.useFakeTimers({ now: START })
    vi.stubGlobal('window', Object.assign(new EventTarget(), globalThis))
  })
  afterEach(() => {
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })
  /** A clock that is looked at, and every time it has shown. */
  function shown(clock = () => Date.now()) {
    const times: number[] = []
    let value = clock()
    const nowMs = ref(value)
    Object.defineProperty(nowMs, 'value', {
      get: () => value,
      set: (ms: number) => {
        value = ms
        times.push(ms)
      },
    })
    const clocks = runClocks(nowMs, clock, () => Promise.resolve())
    return { clocks, times, nowMs }
  }

  test('wakes once a second, as it turns, and shows each one', () => {
    const { clocks, times } = shown()
    clocks.start()
    vi.advanceTimersByTime(60_000)
    clocks.stop()
    expect(times).toHaveLength(60)
    times.forEach((ms, at) => expect(ms).toBe(Date.parse('2026-11-24T09:00:01Z') + 1000 * at))
    vi.advanceTimersByTime(60_000)
    expect(times).toHaveLength(60)
  })
  test('a clock set right against the server turns with the time it shows', () => {
    const { clocks, times } = shown(() => Date.now() + 4250)
    clocks.start()
    vi.advanceTimersByTime(1100)
    clocks.stop()
    expect(times).toEqual([Date.parse('2026-11-24T09:00:05Z'), Date.parse('2026-11-24T09:00:06Z')])
  })
  test('what was said in this second stays said; a clock that was far ahead comes back', () => {
    const { clocks, nowMs } = shown()
    clocks.start()
    nowMs.value = Date.parse('2026-11-24T09:00:01.010Z')
    vi.advanceTimersByTime(320)
    expect(nowMs.value).toBe(Date.parse('2026-11-24T09:00:01.020Z'))
    nowMs.value = Date.parse('2026-11-28T09:00:00Z')
    vi.advanceTimersByTime(1000)
    expect(nowMs.value).toBe(Date.parse('2026-11-24T09:00:02Z'))
    clocks.stop()
  })
})
