import { z } from 'zod'
import { signOut } from '../../utils/access'
import { parsed } from '../../utils/problem'

const Query = z.object({ everywhere: z.enum(['0', '1']).default('0') })

/** Signs out: here, or on every device of whoever is signed in. */
export default defineEventHandler(async (event) => {
  const { everywhere } = parsed(Query, getQuery(event))
  await signOut(event, everywhere === '1')
  return sendNoContent(event)
})
