import { sealAudit } from '../db/seal.sql'
import { useDb } from '../utils/db'
import { log, withoutData } from '../utils/log'

const EVERY_MS = 60_000

/** Every minute the log is sealed. Several servers seal the same one; whoever comes second finds it done. */
export default defineNitroPlugin((nitro) => {
  const seal = () =>
    sealAudit(useDb()).catch((error: Error) =>
      // A database that is away is sealed a minute later.
      log.warn({ error: withoutData(error) }, 'not sealed'),
    )
  const timer = setInterval(() => void seal(), EVERY_MS)
  timer.unref()
  nitro.hooks.hook('close', () => clearInterval(timer))
})
