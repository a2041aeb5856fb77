import { NotFound } from '#core/fault'
import { writeAudit } from '../../db/access.sql'
import { revokeTablet } from '../../db/tablet.sql'
import { defineDoor, uuidParam } from '../../utils/door'

/** Calls a tablet off: nobody works on it any more, and it forgets what it held. What it had not sent waits for the owner. */
export default defineDoor({ can: 'people.write' }, async ({ db, event, account }) => {
  const id = uuidParam(event, 'id')
  if (!id || (await revokeTablet(db, id)) === 0)
    throw new NotFound({
      code: 'no_tablet',
      detail: 'There is no such tablet, or it was called off already.',
      path: 'id',
    })
  await writeAudit(db, account.id, 'tablet.revoke', 'tablet', id)
})
