import { execute } from '../db/rows'
import { poolOf, worlds, type World } from '../utils/db'
import { log, withoutData } from '../utils/log'

const EVERY_MS = 3_600_000

/** Once an hour, beginning with the first, what has served its time goes. Several servers sweep the same; it does no harm twice. */
export default defineNitroPlugin((nitro) => {
  const sweepOf = (world: World) =>
    execute(poolOf(world), 'SELECT sweep()').catch((error: Error) =>
      // A database that is away is swept an hour later.
      log.warn({ error: withoutData(error) }, 'not swept'),
    )
  const sweep = () => Promise.all(worlds().map(sweepOf))
  const timer = setInterval(() => void sweep(), EVERY_MS)
  timer.unref()
  void sweep()
  nitro.hooks.hook('close', () => clearInterval(timer))
})
