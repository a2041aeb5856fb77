import { randomUUID } from 'node:crypto'
import { compile } from '#core/adapt'
import { writeAudit } from '../../../db/access.sql'
import { addPlan, latestPlan } from '../../../db/plan.sql'
import { setStage } from '../../../db/visit.sql'
import { requireVisit } from '../../../utils/access'
import { useDb } from '../../../utils/db'
import { explainDatabase } from '../../../utils/problem'
import { compileInputOf } from '../../../utils/visit-input'
import { created } from '../../../utils/reply'

/** Fits the visit from what is stored and keeps the plan as its next revision. The server's own fit is the one that counts. */
export default defineEventHandler(async (event) => {
  const { account, visit } = await requireVisit(event, 'health.write')
  const db = useDb()
  const plan = compile(await compileInputOf(db, visit))
  try {
    await addPlan(db, randomUUID(), visit.id, plan, account.id)
  } catch (error) {
    throw explainDatabase(error)
  }
  if (visit.stage === 'booked') await setStage(db, visit.id, 'open')
  await writeAudit(db, account.id, 'plan.fit', 'client', visit.client_id, { visit: visit.id })
  const stored = (await latestPlan(db, visit.id))!
  return created(event, { id: stored.id, revision: stored.revision, plan: stored.plan })
})
