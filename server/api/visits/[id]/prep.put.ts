import { randomUUID } from 'node:crypto'
import { Prep } from '#core/adapt/model'
import { Conflict } from '#core/fault'
import { addPlan, latestPlan } from '../../../db/plan.sql'
import { setPrep, visitById } from '../../../db/visit.sql'
import { defineVisitDoor } from '../../../utils/door'
import { inWorker } from '../../../utils/work'
import { compileInputOf } from '../../../utils/visit-input'

/** What is decided while the tray is laid: the size of the face, the water of each bowl, what stands in. A visit that was fitted is fitted again with it, under the same rules. */
export default defineVisitDoor(
  { can: 'perform', action: 'visit.prepare', body: Prep },
  async ({ db, account, visit, body }) => {
    if (visit.stage === 'performing' || visit.stage === 'closed')
      throw new Conflict({
        code: 'underway',
        detail: 'This visit has begun: what is used is changed in Perform.',
      })
    await setPrep(db, visit.id, body)
    if (!(await latestPlan(db, visit.id))) return { plan: null }
    await addPlan(
      db,
      randomUUID(),
      visit.id,
      await inWorker(
        'compile',
        await compileInputOf(db, (await visitById(db, visit.salon_id, visit.id))!),
      ),
      account.id,
    )
    const { id, revision, plan } = (await latestPlan(db, visit.id))!
    return { plan: { id, revision, plan } }
  },
)
