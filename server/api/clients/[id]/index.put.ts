import { setClientDetails } from '../../../db/client.sql'
import { salonById } from '../../../db/salon.sql'
import { ClientBody, requireBirthday } from '../../../utils/client-details'
import { defineClientDoor } from '../../../utils/door'

/** Corrects who a client is, and how they may be reached. How it read before is kept. */
export default defineClientDoor(
  { can: 'booking', action: 'client.write', body: ClientBody },
  async ({ db, account, client, body }) => {
    requireBirthday(body.bornOn, (await salonById(db, account.salon_id))!.today)
    await setClientDetails(db, client.id, body, account.id)
  },
)
