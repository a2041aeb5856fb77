import { useEventListener } from '@vueuse/core'
import { z } from 'zod'

const SETTLES_MS = 250

/** What has changed: which table, of which visit, and of a run by which tablet. `all`: something may have been missed. */
const Change = z.object({ what: z.string(), id: z.string(), by: z.string().optional() })
export type LiveChange = z.infer<typeof Change>
const MISSED: LiveChange = { what: 'all', id: '' }
const changeOf = (data: unknown): LiveChange => {
  if (data === 'again') return MISSED
  return Change.safeParse(JSON.parse(String(data))).data ?? MISSED
}

/** Calls when something in the salon has changed, on this screen or another: several changes together once. `isOurs`: which of them are heard. */
export function useLive(changed: () => void, isOurs: (change: LiveChange) => boolean) {
  let leave: (() => void) | undefined
  let timer = 0
  const told = ({ data }: MessageEvent<unknown>) => {
    const change = changeOf(data)
    if (change.what === MISSED.what || isOurs(change)) soon()
  }
  const soon = () => {
    window.clearTimeout(timer)
    timer = window.setTimeout(changed, SETTLES_MS)
  }
  const begin = () => {
    leave ??= 'SharedWorker' in window ? throughWorker(told) : onOwn(told)
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
function throughWorker(told: (message: MessageEvent<unknown>) => void): () => void {
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
function onOwn(told: (message: MessageEvent<unknown>) => void): () => void {
  const source = new EventSource('/api/live')
  source.addEventListener('message', told)
  return () => source.close()
}
