import { outlineOf } from '#core/compose'
import { listProtocols } from '../../db/protocol.sql'
import { requireCan } from '../../utils/access'
import { useDb } from '../../utils/db'
import { shelfToday } from '../../utils/shelf'

/** The library: every protocol with what it can be found by. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'booking')
  const protocols = await listProtocols(useDb(), account.salon_id)
  const shelf = await shelfToday(
    useDb(),
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
