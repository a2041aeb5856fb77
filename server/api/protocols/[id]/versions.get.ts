import { versionsOf } from '../../../db/protocol.sql'
import { defineProtocolDoor } from '../../../utils/door'

/** Every published version, the newest first. */
export default defineProtocolDoor({ can: 'booking' }, ({ db, account, protocol }) => {
  return versionsOf(db, account.salon_id, protocol.id)
})
