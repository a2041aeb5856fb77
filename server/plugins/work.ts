import { rm } from 'node:fs/promises'
import { log, withoutData } from '../utils/log'
import { sweepUploads, UPLOADS } from '../utils/upload'
import { endListening } from '../utils/live'
import { endWork } from '../utils/work'

/** What draws photographs anew has to be there: said when the server starts, not when the first one comes. The pool ends with the server. */
export default defineNitroPlugin((nitro) => {
  import('sharp').catch((error: Error) =>
    log.error({ error: withoutData(error) }, 'photographs cannot be decoded on this machine'),
  )
  sweepUploads().catch((error: Error) =>
    log.warn({ error: withoutData(error) }, 'uploads of an earlier server are still there'),
  )
  nitro.hooks.hook('close', async () => {
    await endListening()
    await endWork()
    await rm(UPLOADS, { recursive: true, force: true })
  })
})
