import { loadShelf } from '../../../db/shelf.sql'
import { newestVersion } from '../../../db/protocol.sql'
import { requireCan } from '../../../utils/access'
import { useDb } from '../../../utils/db'
import { problem } from '../../../utils/problem'

export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'booking')
  const version = await newestVersion(useDb(), account.salon_id, getRouterParam(event, 'id') ?? '')
  if (!version) throw problem(404, { code: 'no_protocol', detail: 'There is no such protocol.', path: 'id' })
  return { version, shelf: await loadShelf(useDb(), account.salon_id) }
})
