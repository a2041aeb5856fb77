import { randomUUID } from 'node:crypto'
import { writeAudit } from '../../db/access.sql'
import { addClient } from '../../db/client.sql'
import { salonById } from '../../db/salon.sql'
import { ClientBody, requireBirthday } from '../../utils/client-details'
import { defineDoor } from '../../utils/door'
import { created } from '../../utils/reply'

/** Somebody new: a name and a birthday, the rest later. */
export default defineDoor(
  { can: 'booking', body: ClientBody },
  async ({ db, event, account, body }) => {
    const salonId = account.salon_id
    requireBirthday(body.bornOn, (await salonById(db, salonId))!.today)
    const id = randomUUID()
    await addClient(db, { ...body, id, salonId })
    await writeAudit(db, account.id, 'client.add', 'client', id)
    return created(event, { id })
  },
)
