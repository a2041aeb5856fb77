import { z } from 'zod'
import { METERS, probeSamples } from '#core/skin'
import { ZoneId } from '#core/skin/model'
import { requireCan } from '../utils/access'
import { parsed } from '../utils/problem'
import { streamSamples } from '../utils/stream'

const Query = z.object({
  kind: z.enum(METERS),
  zone: ZoneId,
  seed: z.coerce.number().int().min(0).max(1e9).default(1),
})

/** The simulated probe: streams readings of one kind on one zone as server-sent events until the browser closes it. */
export default defineEventHandler(async (event) => {
  await requireCan(event, 'health.read')
  const { kind, zone, seed } = parsed(Query, getQuery(event))
  return streamSamples(event, probeSamples(kind, zone, seed, Math.random))
})
