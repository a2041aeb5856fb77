import { outlineOf } from '#core/compose'
import { listProtocols } from '../../db/protocol.sql'
import { shelfToday } from '../../utils/shelf'
import { defineDoor } from '../../utils/door'

/** The library: every protocol with what it can be found by. */
export default defineDoor({ can: 'booking' }, async ({ db, account }) => {
  const protocols = await listProtocols(db, account.salon_id)
  const shelf = await shelfToday(
    db,
    account.salon_id,
    protocols.flatMap((protocol) => protocol.steps),
  )
  return protocols.map((protocol) => ({
    id: protocol.id,
    name: protocol.name,
    version: protocol.version,
    note: protocol.note,
    publishedAt: protocol.published_at,
    archived: protocol.archived_at !== null,
    draftAt: protocol.draft_at,
    ...outlineOf(protocol.steps, shelf),
  }))
})
