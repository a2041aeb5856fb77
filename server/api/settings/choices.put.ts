import { SalonChoices } from '#core/salon/model'
import { writeAudit } from '../../db/access.sql'
import { setChoices } from '../../db/salon.sql'
import { defineDoor } from '../../utils/door'

/** What the salon chooses beyond its facts, all of it. */
export default defineDoor(
  { can: 'salon.write', body: SalonChoices },
  async ({ db, account, body: choices }) => {
    await setChoices(db, account.salon_id, choices)
    await writeAudit(db, account.id, 'salon.choices', 'salon', account.salon_id)
  },
)
