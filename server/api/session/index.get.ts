import { currentAccount, standingOf } from '../../utils/access'
import { capabilitiesOf } from '../../utils/capabilities'
import { demoAccount } from '../../db/access.sql'
import { salonById } from '../../db/salon.sql'
import { inSalon } from '../../db/rows'
import { isLoopback } from '../../utils/outside'
import { useDb } from '../../utils/db'
import { publicKey } from '../../utils/letters'

/** Who is signed in, and whether the demo studio can be opened. Never a 401: a signed-out visitor may ask. */
export default defineEventHandler(async (event) => {
  const account = await currentAccount(event)
  const demo = isLoopback(event) && (await demoAccount(useDb())) !== undefined
  const salon =
    account && (await inSalon(useDb(), account.salon_id, (db) => salonById(db, account.salon_id)))
  const { pass, revoked } = await standingOf(event)
  return {
    demo,
    /** Called off on another device: what is held here goes at once. */
    revoked,
    /** What letters are sealed to, and what says whose they are. */
    outbox: account ? { key: publicKey(), pass } : null,
    account: account
      ? {
          id: account.id,
          name: account.name,
          practitionerId: account.practitioner_id,
          can: capabilitiesOf(account.role),
        }
      : null,
    salon: salon
      ? {
          name: salon.name,
          timeZone: salon.time_zone,
          emergencyNumber: salon.emergency_number,
          address: salon.address,
          today: salon.today,
        }
      : null,
  }
})
