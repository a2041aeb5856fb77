import { Draft, saveDraft } from '../../../db/protocol.sql'
import { useDb } from '../../../utils/db'
import { BODY_MOST, readJson } from '../../../utils/body'
import { parsed } from '../../../utils/problem'
import { requireProtocol } from '../../../utils/protocol'

/** Keeps the draft as it is now. */
export default defineEventHandler(async (event) => {
  const { account, protocol } = await requireProtocol(event, 'protocol.write')
  await saveDraft(
    useDb(),
    protocol.id,
    parsed(Draft, await readJson(event, BODY_MOST.file)),
    account.id,
  )
  return sendNoContent(event)
})
