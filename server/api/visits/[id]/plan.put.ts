import { z } from 'zod'
import { hasLadder } from '#core/adapt'
import { FittedPlan } from '#core/adapt/model'
import { Conflict, Infeasible } from '#core/fault'
import { writeAudit } from '../../../db/access.sql'
import { addPlan, planIds } from '../../../db/plan.sql'
import { setStage } from '../../../db/visit.sql'
import { BODY_MOST } from '../../../utils/body'
import { defineVisitDoor } from '../../../utils/door'
import { inWorker } from '../../../utils/work'
import { compileInputOf } from '../../../utils/visit-input'

/**
 * Takes a plan that a tablet fitted without a network, once whatever the retries, under the tablet's own id: its run is told by it. It is read
 * against what is known here; what differs is kept with it, and shown wherever it is.
 */
export default defineVisitDoor(
  {
    can: 'health.write',
    most: BODY_MOST.events,
    body: z.strictObject({ id: z.uuid(), plan: FittedPlan }),
  },
  async ({ db, account, visit, body }) => {
    if ((await planIds(db, visit.id)).includes(body.id)) return
    if (visit.stage === 'performing' || visit.stage === 'closed')
      throw new Conflict({
        code: 'underway',
        detail: 'This visit was begun elsewhere, with the ladder that was fitted there.',
      })
    if (!hasLadder(body.plan))
      throw new Infeasible({ code: 'not_fitted', detail: 'This plan has no ladder.' })
    const { plan, faults } = await inWorker('judgeFit', body.plan, await compileInputOf(db, visit))
    await addPlan(db, body.id, visit.id, plan, account.id, faults)
    if (visit.stage === 'booked') await setStage(db, visit.id, 'open')
    await writeAudit(db, account.id, 'plan.told', 'client', visit.client_id, {
      visit: visit.id,
      faults: faults.length,
    })
  },
)
