import { z } from 'zod'
import { CONCERNS } from '#core/client'
import { Concern, GoalDetails } from '#core/client/model'
import { setGoals } from '../../../db/client.sql'
import { defineVisitDoor } from '../../../utils/door'

const Body = z.strictObject({
  concerns: z
    .array(Concern)
    .max(CONCERNS.length)
    .refine((list) => new Set(list).size === list.length, 'every goal once'),
  details: GoalDetails.optional(),
})

/** Ranked goals: the first is the most wanted. */
export default defineVisitDoor(
  { can: 'health.write', action: 'goals.write', body: Body },
  async ({ db, visit, body }) => {
    await setGoals(db, visit.client_id, { concerns: body.concerns, goalDetails: body.details })
  },
)
