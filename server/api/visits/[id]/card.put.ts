import { z } from 'zod'
import { Conflict } from '#core/fault'
import { setCard } from '../../../db/visit.sql'
import { withdrawOverrides } from '../../../db/plan.sql'
import { bookableVersion } from '../../../utils/bookable'
import { defineVisitDoor } from '../../../utils/door'

const Body = z.strictObject({ protocolId: z.string().max(80) })

/** Another card for a visit that has not begun. What was decided about the steps of the old one goes with it. */
export default defineVisitDoor(
  { can: 'health.write', action: 'visit.card', body: Body },
  async ({ db, visit, body }) => {
    if (visit.stage === 'performing' || visit.stage === 'closed')
      throw new Conflict({
        code: 'underway',
        detail: 'This visit has begun: its card stays.',
      })
    const version = await bookableVersion(db, visit.salon_id, body.protocolId)
    await withdrawOverrides(db, visit.id)
    await setCard(db, visit.id, version.id)
  },
)
