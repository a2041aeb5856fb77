import { setTimeout as wait } from 'node:timers/promises'
import { z } from 'zod'
import { METERS, probeSamples } from '../../core/skin'
import { ZoneId } from '../../core/skin/model'
import { requireCan } from '../utils/access'
import { parseOr400 } from '../utils/problem'

const Query = z.object({ kind: z.enum(METERS), zone: ZoneId, seed: z.coerce.number().int().min(0).max(1e9).default(1) })
const EVERY_MS = 200
const MOST_SAMPLES = 300

/** The simulated probe: streams readings of one kind on one zone as server-sent events until the browser closes it. */
export default defineEventHandler(async (event) => {
  await requireCan(event, 'health.read')
  const { kind, zone, seed } = parseOr400(Query, getQuery(event))
  const stream = createEventStream(event)
  let open = true
  stream.onClosed(() => { open = false })
  void (async () => {
    let count = 0
    for (const sample of probeSamples(kind, zone, seed, Math.random)) {
      if (!open || ++count > MOST_SAMPLES) break
      await stream.push(JSON.stringify(sample))
      await wait(EVERY_MS)
    }
    await stream.close()
  })()
  return stream.send()
})
