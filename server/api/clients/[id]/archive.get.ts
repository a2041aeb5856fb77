import { archiveOf } from '../../../utils/client-archive'
import { defineClientDoor } from '../../../utils/door'

/** Everything of a client as one archive: the open file, photographs and signatures. */
export default defineClientDoor(
  { can: 'client.rights', atRest: true, action: 'client.archive' },
  async ({ db, event, account, client }) => {
    const archive = await archiveOf(db, account.salon_id, client)
    setResponseHeader(event, 'content-type', 'application/zip')
    setResponseHeader(
      event,
      'content-disposition',
      `attachment; filename="client-${client.id.slice(0, 8)}.zip"`,
    )
    return archive
  },
)
