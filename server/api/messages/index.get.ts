import { listMessages } from '../../db/message.sql'
import { worldOf } from '../../utils/db'
import { defineDoor } from '../../utils/door'
import { isShownOnly } from '../../utils/messages'

const MOST = 100

/** What went out, waits, or would have gone out. */
export default defineDoor({ can: 'people.write' }, async ({ db, event, account }) => ({
  isShownOnly: isShownOnly(worldOf(event)),
  messages: await listMessages(db, account.salon_id, MOST),
}))
