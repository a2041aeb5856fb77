import { useEventListener } from '@vueuse/core'

const SETTLES_MS = 250

/** Calls when something in the salon has changed, on this screen or another: several changes together once. */
export function useLive(changed: () => void) {
  let leave: (() => void) | undefined
  let timer = 0
  const soon = () => {
    window.clearTimeout(timer)
    timer = window.setTimeout(changed, SETTLES_MS)
  }
  const begin = () => {
    leave ??= 'SharedWorker' in window ? throughWorker(soon) : onOwn(soon)
  }
  onMounted(begin)
  const end = () => {
    window.clearTimeout(timer)
    leave?.()
    leave = undefined
  }
  onBeforeUnmount(end)
  useEventListener(window, 'pagehide', end)
  // Gone back to, a page that the browser had put aside may have missed something.
  useEventListener(window, 'pageshow', ({ persisted }: PageTransitionEvent) => {
    if (!persisted) return
    begin()
    soon()
  })
}

/** One stream a browser, shared by its pages. */
function throughWorker(told: () => void): () => void {
  const worker = new SharedWorker(new URL('../workers/live.worker.ts', import.meta.url), {
    ...{ type: 'module', name: 'zen-live' },
  })
  worker.port.addEventListener('message', told)
  worker.port.start()
  return () => {
    worker.port.postMessage('bye')
    worker.port.close()
  }
}

/** Browsers without shared workers have a stream for each page. */
function onOwn(told: () => void): () => void {
  const source = new EventSource('/api/live')
  source.addEventListener('message', told)
  return () => source.close()
}
