import { NotFound } from '#core/fault'
import { demoAccount } from '../../db/access.sql'
import { signIn } from '../../utils/access'
import { isLoopback } from '../../utils/outside'
import { useDb } from '../../utils/db'

/** One touch into the demo studio: where demo accounts exist, and for whoever sits at this machine. */
export default defineEventHandler(async (event) => {
  const account = isLoopback(event) ? await demoAccount(useDb()) : undefined
  if (!account)
    throw new NotFound({ code: 'no_demo', detail: 'There is no demo studio on this server.' })
  await signIn(event, account)
  return sendNoContent(event)
})
