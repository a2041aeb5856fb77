import { sealAudit } from '../db/seal.sql'
import { poolOf, worlds, type World } from '../utils/db'
import { log, withoutData } from '../utils/log'

const EVERY_MS = 60_000

/** Every minute the log is sealed. Several servers seal the same one; whoever comes second finds it done. */
export default defineNitroPlugin((nitro) => {
  const sealOf = (world: World) =>
    sealAudit(poolOf(world)).catch((error: Error) =>
      // A database that is away is sealed a minute later.
      log.warn({ error: withoutData(error) }, 'not sealed'),
    )
  const seal = () => Promise.all(worlds().map(sealOf))
  const timer = setInterval(() => void seal(), EVERY_MS)
  timer.unref()
  nitro.hooks.hook('close', () => clearInterval(timer))
})
