import { canDo, currentAccount } from '../../utils/access'
import { demoAccount } from '../../db/access.sql'
import { salonById } from '../../db/salon.sql'
import { useDb } from '../../utils/db'

/** Who is signed in, and whether the demo studio can be opened. Never a 401: a signed-out visitor may ask. */
export default defineEventHandler(async (event) => {
  const account = await currentAccount(event)
  const demo = (await demoAccount(useDb())) !== undefined
  if (!account) return { account: null, demo }
  const salon = await salonById(useDb(), account.salon_id)
  return {
    demo,
    account: {
      id: account.id,
      name: account.name,
      role: account.role,
      practitionerId: account.practitioner_id,
      seesHealth: canDo(account.role, 'health.read'),
    },
    salon: salon && {
      name: salon.name,
      timeZone: salon.time_zone,
      emergencyNumber: salon.emergency_number,
      address: salon.address,
      today: salon.today,
    },
  }
})
