import { NotFound } from '#core/fault'
import { demoAccount } from '../../db/access.sql'
import { signIn } from '../../utils/access'
import { useDb } from '../../utils/db'

/** One touch into the demo studio. Only where demo accounts exist; a server open to others refuses to start with them. */
export default defineEventHandler(async (event) => {
  const account = await demoAccount(useDb())
  if (!account)
    throw new NotFound({ code: 'no_demo', detail: 'There is no demo studio on this server.' })
  await signIn(event, account)
  return sendNoContent(event)
})
