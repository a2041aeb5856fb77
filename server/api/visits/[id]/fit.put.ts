import { SlotWish } from '#core/adapt/model'
import { Conflict } from '#core/fault'
import { setFit } from '../../../db/visit.sql'
import { defineVisitDoor } from '../../../utils/door'
import { asSeen } from '../../../utils/seen'

const Body = SlotWish.extend({ seen: SlotWish.nullable().optional() })

/** How the visit is to be fitted to its slot: another length, what must stay, whether spare time is given out. */
export default defineVisitDoor(
  { can: 'health.write', body: Body, action: 'visit.slot' },
  async ({ db, visit, body: { seen, ...wish } }) => {
    if (visit.stage === 'performing' || visit.stage === 'closed')
      throw new Conflict({
        code: 'underway',
        detail: 'This visit has begun: it is planned again from Perform.',
      })
    asSeen(seen, visit.fit ?? null, wish, 'The length of this visit')
    await setFit(db, visit.id, wish)
  },
)
