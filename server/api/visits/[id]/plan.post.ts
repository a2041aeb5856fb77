import { randomUUID } from 'node:crypto'
import { addPlan, latestPlan, shownPlan } from '../../../db/plan.sql'
import { setStage } from '../../../db/visit.sql'
import { inWorker } from '../../../utils/work'
import { compileInputOf } from '../../../utils/visit-input'
import { created } from '../../../utils/reply'
import { defineVisitDoor } from '../../../utils/door'

/** Fits the visit from what is stored and keeps the plan as its next revision. The server's own fit is the one that counts. */
export default defineVisitDoor(
  { can: 'health.write', action: 'plan.fit' },
  async ({ db, event, account, visit }) => {
    const plan = await inWorker('compile', await compileInputOf(db, visit))
    await addPlan(db, randomUUID(), visit.id, plan, account.id)

    if (visit.stage === 'booked') await setStage(db, visit.id, 'open')
    return created(event, shownPlan((await latestPlan(db, visit.id))!))
  },
)
