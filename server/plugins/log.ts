import { randomUUID } from 'node:crypto'
import { log } from '../utils/log'

/** Every request has an id, told in its reply, and one line in the log: what was asked, how it ended, how long it took. */
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('request', (event) => {
    const requestId = randomUUID()
    event.context.requestId = requestId
    event.context.begunMs = performance.now()
    setResponseHeader(event, 'X-Request-Id', requestId)
    event.node.res.once('finish', () => {
      log.info(
        {
          requestId,
          method: event.method,
          path: event.path.split('?')[0],
          status: event.node.res.statusCode,
          ms: Math.round(performance.now() - (event.context.begunMs as number)),
        },
        'answered',
      )
    })
  })
})
