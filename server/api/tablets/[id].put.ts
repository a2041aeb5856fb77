import { z } from 'zod'
import { NotFound } from '#core/fault'
import { writeAudit } from '../../db/access.sql'
import { setTablet } from '../../db/tablet.sql'
import { defineDoor, uuidParam } from '../../utils/door'

const Body = z.strictObject({
  name: z.string().trim().min(1).max(60),
  roomId: z.uuid().nullable(),
})

/** What a tablet is called, and in which room it is. */
export default defineDoor(
  { can: 'people.write', body: Body },
  async ({ db, event, account, body }) => {
    const id = uuidParam(event, 'id')
    if (!id || (await setTablet(db, id, body)) === 0)
      throw new NotFound({ code: 'no_tablet', detail: 'There is no such tablet.', path: 'id' })
    await writeAudit(db, account.id, 'tablet.write', 'tablet', id)
  },
)
