import { z } from 'zod'
import { writeAudit } from '../../../db/access.sql'
import { setArchived } from '../../../db/protocol.sql'
import { defineProtocolDoor } from '../../../utils/door'

const Body = z.strictObject({ archived: z.boolean() })

/** Puts a protocol away or takes it out again; what is booked keeps it. */
export default defineProtocolDoor(
  { can: 'protocol.write', body: Body },
  async ({ db, account, protocol, body }) => {
    const { archived } = body
    await setArchived(db, protocol.id, archived)
    await writeAudit(
      db,
      account.id,
      archived ? 'protocol.archive' : 'protocol.restore',
      'protocol',
      protocol.id,
    )
  },
)
