import type { PoolClient } from 'pg'
import { z } from 'zod'
import { RunEvent } from '#core/perform/model'
import { writeAudit, type Account } from '../../../db/access.sql'
import { inTransaction } from '../../../db/rows'
import { addEvents, listEvents } from '../../../db/run.sql'
import { addPlan } from '../../../db/plan.sql'
import { addReading } from '../../../db/reading.sql'
import { setStage } from '../../../db/visit.sql'
import { requireVisit } from '../../../utils/access'
import { canDo } from '../../../utils/capabilities'
import { useDb } from '../../../utils/db'
import { BODY_MOST, readJson } from '../../../utils/body'
import { parsed } from '../../../utils/problem'

const Body = z.strictObject({ events: z.array(RunEvent).max(500) })

/**
 * Takes events of a run, each once whatever the retries, and answers with the whole log. What was read under the lamp and a ladder
 * fitted again on the tablet become the visit's reading and its next plan. After signing events are a late appendix and change nothing.
 */
export default defineEventHandler(async (event) => {
  const { account, visit } = await requireVisit(event, 'perform')
  const { events } = parsed(Body, await readJson(event, BODY_MOST.events))
  await inTransaction(useDb(), async (db) => {
    const fresh = await addEvents(db, visit.id, events, account.id)
    if (visit.locked_at === null) for (const one of fresh) await keep(db, visit.id, one, account)
    if (fresh.some((product) => product.body.type === 'start'))
      await setStage(db, visit.id, 'performing')
    if (events.length > 0)
      await writeAudit(db, account.id, 'run.write', 'client', visit.client_id, {
        visit: visit.id,
        events: events.length,
      })
  })
  return { now: Date.now(), events: await listEvents(useDb(), visit.id) }
})

async function keep(db: PoolClient, visitId: string, { id, body }: RunEvent, account: Account) {
  if (body.type === 'read' && canDo(account.role, 'health.write'))
    await addReading(db, id, visitId, body.reading, account.id)
  if (body.type === 'replanned') await addPlan(db, id, visitId, body.plan, account.id)
}
