import { NotFound } from '#core/fault'
import { writeAudit } from '../../../db/access.sql'
import { callOffSession } from '../../../db/session.sql'
import { defineDoor, uuidParam } from '../../../utils/door'

/** Calls off one of one's own sessions: what that browser holds, it forgets. */
export default defineDoor({ can: 'own.write' }, async ({ db, event, account }) => {
  const id = uuidParam(event, 'id')
  if (!id || (await callOffSession(db, account.id, id)) === 0)
    throw new NotFound({
      code: 'not_here',
      detail: 'That session has ended already.',
      path: 'id',
    })
  await writeAudit(db, account.id, 'session.call_off', 'account', account.id, { session: id })
})
