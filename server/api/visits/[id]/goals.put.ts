import { loadClient, setGoals } from '../../../db/client.sql'
import { GoalsBody } from '../../../utils/client-details'
import { defineVisitDoor } from '../../../utils/door'
import { asSeen } from '../../../utils/seen'

/** Ranked goals: the first is the most wanted. */
export default defineVisitDoor(
  {
    can: 'health.write',
    action: 'goals.write',
    body: GoalsBody.extend({ seen: GoalsBody.optional() }),
  },
  async ({ db, visit, body }) => {
    const { seen, ...given } = body
    const { concerns, goalDetails: details = {} } = (await loadClient(db, visit.client_id))!
    asSeen(seen, { concerns, details }, { details, ...given }, 'What the client wants')
    await setGoals(db, visit.client_id, { concerns: body.concerns, goalDetails: body.details })
  },
)
