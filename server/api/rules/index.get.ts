import { loadRuleSettings } from '../../db/rules.sql'
import { requireCan } from '../../utils/access'
import { useDb } from '../../utils/db'

/** What the salon has set in the rule book. The book itself ships with the application. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'booking')
  return loadRuleSettings(useDb(), account.salon_id)
})
