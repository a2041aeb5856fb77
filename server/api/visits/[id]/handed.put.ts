import { handSession } from '../../../db/session.sql'
import { currentSessionId } from '../../../utils/access'
import { defineVisitDoor } from '../../../utils/door'

/** Gives the tablet into the client's hands: from now on this session answers for their own visit alone, until `POST /api/own/unlock`. */
export default defineVisitDoor(
  { can: 'health.write', handed: 'visit', action: 'tablet.handed' },
  async ({ db, event, visit }) => {
    const sessionId = await currentSessionId(event)
    if (sessionId !== undefined) await handSession(db, sessionId, visit.id)
  },
)
