import { listWaiting } from '../../db/outbox.sql'
import { writeAudit } from '../../db/access.sql'
import { defineDoor } from '../../utils/door'

/** What tablets brought after their sessions had ended, and what waits for the owner's word. */
export default defineDoor({ can: 'outbox.decide' }, async ({ db, account }) => {
  const waiting = await listWaiting(db)
  if (waiting.length > 0)
    await writeAudit(db, account.id, 'outbox.read', 'salon', account.salon_id, {
      changes: waiting.map(({ id }) => id),
    })
  return waiting
})
