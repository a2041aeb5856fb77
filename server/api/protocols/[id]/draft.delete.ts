import { dropDraft } from '../../../db/protocol.sql'
import { useDb } from '../../../utils/db'
import { requireProtocol } from '../../../utils/protocol'

/** Back to what is published. */
export default defineEventHandler(async (event) => {
  const { protocol } = await requireProtocol(event, 'protocol.write')
  await dropDraft(useDb(), protocol.id)
  return sendNoContent(event)
})
