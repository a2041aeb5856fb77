import { dropDraft } from '../../../db/protocol.sql'
import { defineProtocolDoor } from '../../../utils/door'

/** Back to what is published. */
export default defineProtocolDoor({ can: 'protocol.write' }, async ({ db, protocol }) => {
  await dropDraft(db, protocol.id)
})
