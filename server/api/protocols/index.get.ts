import { usualSeconds } from '../../../core/protocol/segments'
import { listProtocols } from '../../db/protocol.sql'
import { requireCan } from '../../utils/access'
import { useDb } from '../../utils/db'

export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'booking')
  const protocols = await listProtocols(useDb(), account.salon_id)
  return protocols.map((p) => ({ id: p.id, name: p.name, version: p.version, steps: p.steps.length, publishedAt: p.published_at, workS: p.steps.filter((step) => !step.floating).reduce((sum, step) => sum + usualSeconds(step), 0) }))
})
