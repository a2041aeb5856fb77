import { log, withoutData } from '../utils/log'
import { poolOf } from '../utils/db'

/** Live: the server answers. Ready (`ok`): it reaches its database too, else 503; nothing is kept from whoever asks, nothing is told. */
export default defineEventHandler(async (event) => {
  const ok = await poolOf('own')
    .query('SELECT 1')
    .then(
      () => true,
      (error: Error) => {
        log.warn({ error: withoutData(error) }, 'not ready')
        return false
      },
    )
  if (!ok) setResponseStatus(event, 503)
  return { live: true, ok }
})
