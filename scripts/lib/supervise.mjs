import { setTimeout as wait } from 'node:timers/promises'
import { say } from './say.mjs'

const FIRST_WAIT_MS = 500
const LONGEST_WAIT_MS = 30_000
/** What has run so long was well: the next end is a first one again. */
const WELL_MS = 60_000

/** How long to wait before the next try, after so many that failed one after another. */
export const backoffMs = (failures) =>
  Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** Math.max(0, failures - 1))

/**
 * Keeps something running: `start` gives what runs, `{ ended, stop }`, where `ended` tells why it ended. What ends by itself is said, and started
 * again, sooner at first and later each time. A first start that fails is thrown.
 */
export async function supervised(name, start) {
  let isStopping = false
  let now = await start()
  const watch = (async () => {
    let failures = 0
    let since = Date.now()
    while (!isStopping) {
      const why = await now.ended
      if (isStopping) return
      failures = Date.now() - since > WELL_MS ? 1 : failures + 1
      say(`${name} ended (${why}); starting it again`)
      now = await startedAgain(name, start, () => isStopping, failures)
      if (!now) return
      since = Date.now()
      say(`${name} runs again`)
    }
  })()
  return {
    stop: async () => {
      isStopping = true
      await now?.stop()
      await watch
    },
  }
}

async function startedAgain(name, start, isStopping, before) {
  for (let failures = before; !isStopping(); failures++) {
    await wait(backoffMs(failures))
    if (isStopping()) return undefined
    try {
      return await start()
    } catch (error) {
      say(`${name} did not start: ${error.message.split('\n')[0]}`)
    }
  }
  return undefined
}
