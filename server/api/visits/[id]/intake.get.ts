import { factsInForce } from '#core/client'
import { intakeOf } from '#core/formats'
import { loadClient } from '../../../db/client.sql'
import { formatInTimeZone } from '../../../utils/zone'
import { defineVisitDoor } from '../../../utils/door'

/** What the client said, as an open JSON file to take along. */
export default defineVisitDoor(
  { can: 'health.read', action: 'intake.export' },
  async ({ db, event, visit }) => {
    const client = (await loadClient(db, visit.client_id))!
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
  },
)
