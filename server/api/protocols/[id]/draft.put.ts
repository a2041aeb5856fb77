import { Draft, saveDraft } from '../../../db/protocol.sql'
import { BODY_MOST } from '../../../utils/body'
import { defineProtocolDoor } from '../../../utils/door'

/** Keeps the draft as it is now. */
export default defineProtocolDoor(
  { can: 'protocol.write', body: Draft, most: BODY_MOST.file },
  async ({ db, account, protocol, body }) => {
    await saveDraft(db, protocol.id, body, account.id)
  },
)
