import { NotFound } from '#core/fault'
import { demoAccount } from '../../db/access.sql'
import { currentAccount, enterWorld, maySeeDemo, signIn } from '../../utils/access'
import { poolOf } from '../../utils/db'

/** One touch into the demo studio: where there is one, and for whoever sits at this machine. Who was in it goes on as whoever that was. */
export default defineEventHandler(async (event) => {
  const account = maySeeDemo(event) ? await demoAccount(poolOf('demo')) : undefined
  if (!account)
    throw new NotFound({ code: 'no_demo', detail: 'There is no demo studio on this server.' })
  await enterWorld(event, 'demo')
  if (!(await currentAccount(event))) await signIn(event, 'demo', account, 'demo')
  return sendNoContent(event)
})
