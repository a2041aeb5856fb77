import { defineVisitDoor } from '../../../utils/door'
import { worldOf } from '../../../utils/db'
import { queueVisitMessage } from '../../../utils/messages'

/** Sends the client the confirmation of a visit with its calendar file, after it was looked at. */
export default defineVisitDoor(
  { can: 'booking', action: 'message.send' },
  async ({ db, event, account, visit }) => {
    await queueVisitMessage(db, account, visit, worldOf(event))
  },
)
