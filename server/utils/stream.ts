import { setTimeout as wait } from 'node:timers/promises'
import type { H3Event } from 'h3'

const EVERY_MS = 200
const MOST_SAMPLES = 300

/** Streams samples of a simulated device as server-sent events until the browser closes it. */
export function streamSamples(event: H3Event, samples: Iterable<unknown>, everyMs = EVERY_MS) {
  const stream = createEventStream(event)
  let open = true
  stream.onClosed(() => {
    open = false
  })
  void (async () => {
    let count = 0
    for (const sample of samples) {
      if (!open || ++count > MOST_SAMPLES) break
      await stream.push(JSON.stringify(sample))
      await wait(everyMs)
    }
    await stream.close()
  })()
  return stream.send()
}
