import { setTimeout as wait } from 'node:timers/promises'
import { tooStrong } from '../db/roles'
import { useDb } from '../utils/db'

const AGAIN_MS = 1000

/** A server whose role could look past row-level security, or change the tables, says so and ends, whoever started it. */
export default defineNitroPlugin(() => {
  void refuseStronger()
})

async function refuseStronger() {
  for (;;)
    try {
      const why = await tooStrong(useDb())
      if (why === undefined) return
      console.error(why)
      process.exit(1)
    } catch {
      // The database is away: `/api/health` says so, and the question stays.
      await wait(AGAIN_MS)
    }
}
