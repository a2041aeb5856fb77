import { defineVisitDoor } from '../../../utils/door'
import { worldOf } from '../../../utils/db'
import { isShownOnly, visitMessage } from '../../../utils/messages'

/** What the client would be told of a visit, as it would go out. */
export default defineVisitDoor({ can: 'booking' }, async ({ db, event, visit }) => ({
  ...(await visitMessage(db, visit)),
  isShownOnly: isShownOnly(worldOf(event)),
}))
