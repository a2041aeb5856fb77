import { Draft, saveDraft } from '../../../db/protocol.sql'
import { useDb } from '../../../utils/db'
import { parsed } from '../../../utils/problem'
import { requireProtocol } from '../../../utils/protocol'

/** Keeps the draft as it is now. */
export default defineEventHandler(async (event) => {
  const { account, protocol } = await requireProtocol(event, 'protocol.write')
  await saveDraft(useDb(), protocol.id, parsed(Draft, await readBody(event)), account.id)
  return sendNoContent(event)
})
