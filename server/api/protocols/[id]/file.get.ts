import { cardOf } from '#core/formats'
import { NotFound } from '#core/fault'
import { newestVersion } from '../../../db/protocol.sql'
import { useDb } from '../../../utils/db'
import { requireProtocol } from '../../../utils/protocol'
import { shelfToday } from '../../../utils/shelf'

/** The newest version as an open file. */
export default defineEventHandler(async (event) => {
  const { account, protocol } = await requireProtocol(event, 'booking')
  const version = await newestVersion(useDb(), account.salon_id, protocol.id)
  if (!version)
    throw new NotFound({
      code: 'not_published',
      detail: 'Nothing of this protocol is published yet. Publish it, then take the file.',
      path: 'id',
    })
  setResponseHeader(
    event,
    'content-disposition',
    `attachment; filename="${protocol.id}-v${version.version}.protocol.json"`,
  )
  return cardOf(version, await shelfToday(useDb(), account.salon_id, version.steps))
})
