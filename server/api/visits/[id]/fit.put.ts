import { SlotWish } from '#core/adapt/model'
import { Conflict } from '#core/fault'
import { setFit } from '../../../db/visit.sql'
import { defineVisitDoor } from '../../../utils/door'

/** How the visit is to be fitted to its slot: another length, what must stay, whether spare time is given out. */
export default defineVisitDoor(
  { can: 'health.write', body: SlotWish, action: 'visit.slot' },
  async ({ db, visit, body }) => {
    if (visit.stage === 'performing' || visit.stage === 'closed')
      throw new Conflict({
        code: 'underway',
        detail: 'This visit has begun: it is planned again from Perform.',
      })
    await setFit(db, visit.id, body)
  },
)
