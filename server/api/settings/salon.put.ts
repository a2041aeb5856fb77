import { SalonFacts } from '#core/salon/model'
import { writeAudit } from '../../db/access.sql'
import { setSalonFacts } from '../../db/salon.sql'
import { defineDoor } from '../../utils/door'

/** What the salon is called, where it is, and what it counts in. */
export default defineDoor(
  { can: 'salon.write', body: SalonFacts },
  async ({ db, account, body: facts }) => {
    await setSalonFacts(db, account.salon_id, facts)
    await writeAudit(db, account.id, 'salon.write', 'salon', account.salon_id)
  },
)
