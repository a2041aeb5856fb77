import { z } from 'zod'
import { Conflict, NotFound } from '#core/fault'
import { writeAudit } from '../../db/access.sql'
import { decideWaiting, lockWaiting } from '../../db/outbox.sql'
import { defineDoor, uuidParam } from '../../utils/door'
import { worldOf } from '../../utils/db'
import { askAs } from '../../utils/inside'

const Body = z.strictObject({ take: z.boolean() })

/** The owner's word on one change: taken in as the owner's own, through the same door, or left out. It stays in the list of what was decided. */
export default defineDoor(
  { can: 'outbox.decide', body: Body },
  async ({ db, event, account, body }) => {
    const id = uuidParam(event, 'id')
    const waiting = id && (await lockWaiting(db, id))
    if (!waiting)
      throw new NotFound({
        code: 'not_here',
        detail: 'Nothing waits here under this id: it was decided already.',
        path: 'id',
      })
    if (body.take) {
      const { status, detail } = await askAs(worldOf(event), account, waiting)
      if (status >= 300) throw new Conflict({ code: 'not_taken', detail })
    }
    await decideWaiting(db, waiting.id, account.id, body.take)
    await writeAudit(db, account.id, 'outbox.decide', 'change', waiting.id, { taken: body.take })
  },
)
