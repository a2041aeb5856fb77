import { z } from 'zod'
import { NotFound } from '#core/fault'
import { writeAudit } from '../../db/access.sql'
import { salonById, setRoom } from '../../db/salon.sql'
import { defineDoor, uuidParam } from '../../utils/door'

const Body = z.strictObject({ name: z.string().trim().min(1).max(60), isUsed: z.boolean() })

/** What a room is called, and whether it is used: one that is not takes no bookings, and keeps those it had. */
export default defineDoor(
  { can: 'salon.write', body: Body },
  async ({ db, event, account, body }) => {
    const id = uuidParam(event, 'id')
    const { today } = (await salonById(db, account.salon_id))!
    if (!id || (await setRoom(db, id, { ...body, today })) === 0)
      throw new NotFound({ code: 'not_here', detail: 'There is no such room.', path: 'id' })
    await writeAudit(db, account.id, 'room.write', 'room', id)
  },
)
