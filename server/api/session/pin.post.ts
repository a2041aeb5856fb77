import { z } from 'zod'
import { accountById } from '../../db/access.sql'
import { inSalon } from '../../db/rows'
import { signIn } from '../../utils/access'
import { readJson } from '../../utils/body'
import { useDb, worldOf } from '../../utils/db'
import { pinTry, wrongPin } from '../../utils/pins'
import { parsed, SignedOut } from '../../utils/problem'
import { tabletOf } from '../../utils/tablet'

const Body = z.strictObject({ accountId: z.uuid(), pin: z.string().min(1).max(20) })

/** Signs in on a tablet of the salon: a name and a PIN. */
export default defineEventHandler(async (event) => {
  const { accountId, pin } = parsed(Body, await readJson(event))
  const tablet = await tabletOf(event)
  if (!tablet || tablet.isRevoked)
    throw new SignedOut({
      code: 'no_tablet',
      detail: 'This is no tablet of the salon. Sign in with your password.',
    })
  const pool = useDb(event)
  const account = await accountById(pool, accountId)
  const isOfSalon = account?.salon_id === tablet.salonId
  const refusal = await inSalon(pool, tablet.salonId, (db) => pinTry(db, accountId, pin))
  if (refusal !== undefined || !isOfSalon) throw wrongPin(refusal ?? 'That is not the PIN.')
  await signIn(event, worldOf(event), account, 'pin')
  return sendNoContent(event)
})
