import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { writeAudit } from '../../db/access.sql'
import { addRoom } from '../../db/salon.sql'
import { defineDoor } from '../../utils/door'
import { created } from '../../utils/reply'

const Body = z.strictObject({ name: z.string().trim().min(1).max(60) })

export default defineDoor(
  { can: 'salon.write', body: Body },
  async ({ db, event, account, body }) => {
    const id = randomUUID()
    await addRoom(db, id, account.salon_id, body.name)
    await writeAudit(db, account.id, 'room.add', 'room', id)
    return created(event, { id })
  },
)
