import { outlineOf } from '../../../core/compose'
import { listProtocols } from '../../db/protocol.sql'
import { loadShelf } from '../../db/shelf.sql'
import { requireCan } from '../../utils/access'
import { useDb } from '../../utils/db'

/** The library: every protocol with what it can be found by. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'booking')
  const [protocols, shelf] = await Promise.all([listProtocols(useDb(), account.salon_id), loadShelf(useDb(), account.salon_id)])
  return protocols.map((one) => ({
    id: one.id, name: one.name, version: one.version, note: one.note, publishedAt: one.published_at, archived: one.archived_at !== null, draftAt: one.draft_at, ...outlineOf(one.steps, shelf),
  }))
})
