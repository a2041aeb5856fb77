import { setGoals } from '../../../db/client.sql'
import { GoalsBody } from '../../../utils/client-details'
import { defineVisitDoor } from '../../../utils/door'

/** Ranked goals: the first is the most wanted. */
export default defineVisitDoor(
  { can: 'health.write', action: 'goals.write', body: GoalsBody },
  async ({ db, visit, body }) => {
    await setGoals(db, visit.client_id, { concerns: body.concerns, goalDetails: body.details })
  },
)
