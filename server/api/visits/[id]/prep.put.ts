import { randomUUID } from 'node:crypto'
import { NO_PREP } from '#core/adapt'
import { Prep } from '#core/adapt/model'
import { Conflict } from '#core/fault'
import { addPlan, latestPlan, shownPlan } from '../../../db/plan.sql'
import { setPrep, visitById } from '../../../db/visit.sql'
import { defineVisitDoor } from '../../../utils/door'
import { asSeen } from '../../../utils/seen'
import { inWorker } from '../../../utils/work'
import { compileInputOf } from '../../../utils/visit-input'

const Body = Prep.extend({ seen: Prep.optional() })

/** What is decided while the tray is laid: the size of the face, the water of each bowl, what stands in. A visit that was fitted is fitted again with it, under the same rules. */
export default defineVisitDoor(
  { can: 'perform', action: 'visit.prepare', body: Body },
  async ({ db, account, visit, body: { seen, ...prep } }) => {
    if (visit.stage === 'performing' || visit.stage === 'closed')
      throw new Conflict({
        code: 'underway',
        detail: 'This visit has begun: what is used is changed in Perform.',
      })
    asSeen(seen, visit.prep ?? NO_PREP, prep, 'What is decided at the tray')
    await setPrep(db, visit.id, prep)
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
    return { plan: shownPlan((await latestPlan(db, visit.id))!) }
  },
)
