import { Draft, saveDraft } from '../../../db/protocol.sql'
import { useDb } from '../../../utils/db'
import { parseOr400 } from '../../../utils/problem'
import { requireProtocol } from '../../../utils/protocol'

/** Keeps the draft as it is now. */
export default defineEventHandler(async (event) => {
  const { account, protocol } = await requireProtocol(event, 'protocol.write')
  await saveDraft(useDb(), protocol.id, parseOr400(Draft, await readBody(event)), account.id)
  return sendNoContent(event)
})
