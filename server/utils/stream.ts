import { setTimeout as wait } from 'node:timers/promises'
import { createEventStream, defineEventHandler, getQuery, type H3Event } from 'h3'
import type { z } from 'zod'
import { requireCan } from './access'
import type { Door } from './door'
import { parsed } from './problem'

const EVERY_MS = 200
const MOST_SAMPLES = 300

/** Streams samples of a simulated device as server-sent events until the browser closes it. */
function streamSamples(event: H3Event, samples: Iterable<unknown>, everyMs = EVERY_MS) {
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

interface StreamDoor<Query extends z.ZodType> extends Pick<Door<Query, z.ZodType>, 'can'> {
  readonly query: Query
  readonly everyMs?: number
}
/** A route that streams what a simulated device reads. It holds no connection to the database. */
export function defineStream<Query extends z.ZodType>(
  door: StreamDoor<Query>,
  samples: (query: z.infer<Query>) => Iterable<unknown>,
) {
  const handler = defineEventHandler(async (event) => {
    await requireCan(event, door.can)
    return streamSamples(event, samples(parsed(door.query, getQuery(event))), door.everyMs)
  })
  return Object.assign(handler, { door })
}
