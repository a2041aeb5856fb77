import { setGoals } from '../../../db/client.sql'
import { GoalsBody } from '../../../utils/client-details'
import { defineClientDoor } from '../../../utils/door'

/** Ranked goals: the first is the most wanted. */
export default defineClientDoor(
  { can: 'health.write', action: 'goals.write', body: GoalsBody },
  async ({ db, client, body }) => {
    await setGoals(db, client.id, { concerns: body.concerns, goalDetails: body.details })
  },
)
