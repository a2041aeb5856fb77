import { cardOf } from '#core/formats'
import { NotFound } from '#core/fault'
import { newestVersion } from '../../../db/protocol.sql'
import { shelfToday } from '../../../utils/shelf'
import { defineProtocolDoor } from '../../../utils/door'

/** The newest version as an open file. */
export default defineProtocolDoor({ can: 'booking' }, async ({ db, event, account, protocol }) => {
  const version = await newestVersion(db, account.salon_id, protocol.id)
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
  return cardOf(version, await shelfToday(db, account.salon_id, version.steps))
})
