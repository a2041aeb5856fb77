import { SlotWish } from '#core/adapt/model'
import { Conflict } from '#core/fault'
import { writeAudit } from '../../../db/access.sql'
import { setFit } from '../../../db/visit.sql'
import { requireVisit } from '../../../utils/access'
import { useDb } from '../../../utils/db'
import { readJson } from '../../../utils/body'
import { explainDatabase, parsed } from '../../../utils/problem'

/** How the visit is to be fitted to its slot: another length, what must stay, whether spare time is given out. */
export default defineEventHandler(async (event) => {
  const { account, visit } = await requireVisit(event, 'health.write')
  const fit = parsed(SlotWish, await readJson(event))
  if (visit.stage === 'performing' || visit.stage === 'closed')
    throw new Conflict({
      code: 'underway',
      detail: 'This visit has begun: it is planned again from Perform.',
    })
  try {
    await setFit(useDb(), visit.id, fit)
  } catch (error) {
    throw explainDatabase(error)
  }
  await writeAudit(useDb(), account.id, 'visit.slot', 'client', visit.client_id, {
    visit: visit.id,
  })
  return sendNoContent(event)
})
