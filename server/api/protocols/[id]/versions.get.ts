import { versionsOf } from '../../../db/protocol.sql'
import { useDb } from '../../../utils/db'
import { requireProtocol } from '../../../utils/protocol'

/** Every published version, the newest first. */
export default defineEventHandler(async (event) => {
  const { account, protocol } = await requireProtocol(event, 'booking')
  return versionsOf(useDb(), account.salon_id, protocol.id)
})
