import { draftOf, listBookable, newestVersion } from '../../../db/protocol.sql'
import { EACH_KIND_IN_BUILDER } from '../../../db/shelf.sql'
import { shelfToday } from '../../../utils/shelf'
import { defineProtocolDoor } from '../../../utils/door'

/** A protocol for the builder: its newest version (none yet: null), its draft, and the shelf. */
export default defineProtocolDoor({ can: 'booking' }, async ({ db, account, protocol }) => {
  const version = await newestVersion(db, account.salon_id, protocol.id)
  const draft = await draftOf(db, protocol.id)
  const bookable = await listBookable(db, account.salon_id)
  const shelf = await shelfToday(
    db,
    account.salon_id,
    [...(version?.steps ?? []), ...(draft?.steps ?? [])],
    EACH_KIND_IN_BUILDER,
  )
  return {
    id: protocol.id,
    name: version?.name ?? draft?.name ?? protocol.name,
    archived: protocol.archived_at !== null,
    version: version ?? null,
    draft: draft ?? null,
    shelf,
    /** Cards that may come after this one in a course. */
    others: bookable.filter(({ id }) => id !== protocol.id).map(({ id, name }) => ({ id, name })),
  }
})
