import { z } from 'zod'
import { METERS, probeSamples } from '#core/skin'
import { ZoneId } from '#core/skin/model'
import { defineStream } from '../utils/stream'

const Query = z.object({
  kind: z.enum(METERS),
  zone: ZoneId,
  seed: z.coerce.number().int().min(0).max(1e9).default(1),
})

/** The simulated probe: streams readings of one kind on one zone as server-sent events until the browser closes it. */
export default defineStream({ can: 'health.read', query: Query }, ({ kind, zone, seed }) =>
  probeSamples(kind, zone, seed, Math.random),
)
