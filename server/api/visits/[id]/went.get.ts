import { latestPlan, openedPlan } from '../../../db/plan.sql'
import { listEvents } from '../../../db/run.sql'
import { firstUses, usesOf } from '../../../db/use.sql'
import { defineVisitDoor } from '../../../utils/door'

/** How a visit went: the ladder it was begun with, its log, what was used, and what of it the client had for the first time. */
export default defineVisitDoor(
  { can: 'health.read', action: 'visit.went' },
  async ({ db, visit }) => {
    const plan = (await openedPlan(db, visit.id)) ?? (await latestPlan(db, visit.id))?.plan
    return {
      plan: plan ?? null,
      events: await listEvents(db, visit.id),
      used: await usesOf(db, visit.id),
      firstUses: await firstUses(db, visit),
    }
  },
)
