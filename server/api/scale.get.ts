import { z } from 'zod'
import { scaleSamples } from '#core/mixing'
import { defineStream } from '../utils/stream'

const Query = z.object({ grams: z.coerce.number().positive().max(5000) })
/** A scale settles as it is watched. */
const EVERY_MS = 120

/** The simulated bench scale: somebody pours towards so many grams. */
export default defineStream({ can: 'shelf.read', query: Query, everyMs: EVERY_MS }, ({ grams }) =>
  scaleSamples(grams, Math.random),
)
