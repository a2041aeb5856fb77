import { z } from 'zod'
import { scaleSamples } from '#core/mixing'
import { requireCan } from '../utils/access'
import { parsed } from '../utils/problem'
import { streamSamples } from '../utils/stream'

const Query = z.object({ grams: z.coerce.number().positive().max(5000) })

/** The simulated bench scale: somebody pours towards so many grams. */
export default defineEventHandler(async (event) => {
  await requireCan(event, 'shelf.read')
  const { grams } = parsed(Query, getQuery(event))
  return streamSamples(event, scaleSamples(grams, Math.random), 120)
})
