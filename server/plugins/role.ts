import { setTimeout as wait } from 'node:timers/promises'
import { tooStrong } from '../db/roles'
import { poolOf, worlds, type World } from '../utils/db'

const AGAIN_MS = 1000

/** A server whose role could look past row-level security, or change the tables, says so and ends, whoever started it. */
export default defineNitroPlugin(() => {
  for (const world of worlds()) void refuseStronger(world)
})

async function refuseStronger(world: World) {
  for (;;)
    try {
      const why = await tooStrong(poolOf(world))
      if (why === undefined) return
      console.error(why)
      process.exit(1)
    } catch {
      // The database is away: `/api/health` says so, and the question stays.
      await wait(AGAIN_MS)
    }
}
