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
    protocols.flatMap((one) => one.steps),
  )
  return protocols.map((one) => ({
    id: one.id,
    name: one.name,
    version: one.version,
    note: one.note,
    publishedAt: one.published_at,
    archived: one.archived_at !== null,
    draftAt: one.draft_at,
    ...outlineOf(one.steps, shelf),
  }))
})
