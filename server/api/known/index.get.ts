import { KNOWN } from '#core/client'
import { listKnown } from '../../db/rules.sql'
import { requireCan } from '../../utils/access'
import { useDb } from '../../utils/db'

/** The salon's medicines and conditions, each with the question it answers. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'booking')
  const list = await listKnown(useDb(), account.salon_id)
  return list.length > 0 ? list : KNOWN
})
