/** How long is held what must not happen by chance. */
export const HOLD_MS = 800

/** A hold that acts once after `ms`, by touch or key; letting go earlier does nothing. `progress` runs from 0 to 1. */
export function useHold(ms: number, act: () => void) {
  const progress = ref(0)
  let begun = 0
  let timer = 0
  function stop() {
    window.clearInterval(timer)
    timer = begun = 0
    progress.value = 0
  }
  function start() {
    if (timer) return
    begun = performance.now()
    timer = window.setInterval(() => {
      progress.value = Math.min(1, (performance.now() - begun) / ms)
      if (progress.value < 1) return
      stop()
      act()
    }, 40)
  }
  onBeforeUnmount(stop)
  return { progress, start, stop }
}
