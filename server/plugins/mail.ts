import { claimMessages, settleMessage } from '../db/message.sql'
import { poolOf } from '../utils/db'
import { log, withoutData } from '../utils/log'
import { isMailSent, sendMessage } from '../utils/mail'

const EVERY_MS = 5000
const MOST = 20

/** Sends what waits, of the salon's own world alone: nothing of the demo ever leaves. Several servers share the work. */
export default defineNitroPlugin((nitro) => {
  if (!isMailSent()) return
  let isBusy = false
  async function sendWaiting() {
    if (isBusy) return
    isBusy = true
    try {
      const pool = poolOf('own')
      for (const message of await claimMessages(pool, MOST)) {
        const refusal = await sendMessage(message).then(
          () => undefined,
          (error: Error) => error.message,
        )
        await settleMessage(pool, message.id, refusal === undefined, refusal ?? '')
      }
    } catch (error) {
      log.warn({ error: withoutData(error as Error) }, 'messages wait')
    } finally {
      isBusy = false
    }
  }
  const timer = setInterval(() => void sendWaiting(), EVERY_MS)
  timer.unref()
  nitro.hooks.hook('close', () => clearInterval(timer))
})
