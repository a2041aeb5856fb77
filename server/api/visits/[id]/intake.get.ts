import { factsInForce } from '#core/client'
import { intakeOf } from '#core/formats'
import { writeAudit } from '../../../db/access.sql'
import { loadClient } from '../../../db/client.sql'
import { requireVisit } from '../../../utils/access'
import { useDb } from '../../../utils/db'
import { formatInTimeZone } from '../../../utils/zone'

/** What the client said, as an open JSON file to take along. */
export default defineEventHandler(async (event) => {
  const { account, visit } = await requireVisit(event, 'health.read')
  const client = (await loadClient(useDb(), visit.client_id))!
  await writeAudit(useDb(), account.id, 'intake.export', 'client', visit.client_id, {
    visit: visit.id,
  })
  setResponseHeader(
    event,
    'Content-Disposition',
    `attachment; filename="intake-${visit.client_name
      .normalize('NFKD')
      .replace(/[^A-Za-z0-9]+/g, '-')
      .toLowerCase()}.json"`,
  )
  return intakeOf(
    client,
    [...factsInForce(client.facts).values()],
    formatInTimeZone(visit.starts_at, visit.time_zone).date,
  )
})
