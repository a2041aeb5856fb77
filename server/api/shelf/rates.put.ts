import { Rates } from '#core/costing/model'
import { writeAudit } from '../../db/access.sql'
import { setRates } from '../../db/money.sql'
import { requireCan } from '../../utils/access'
import { useDb } from '../../utils/db'
import { readJson } from '../../utils/body'
import { parsed } from '../../utils/problem'

/** What an hour costs, the wanted margin and the turnover. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'rates.write')
  const rates = parsed(Rates, await readJson(event))
  await setRates(useDb(), account.salon_id, rates)
  await writeAudit(useDb(), account.id, 'rates.write', 'salon', account.salon_id, rates)
  return sendNoContent(event)
})
