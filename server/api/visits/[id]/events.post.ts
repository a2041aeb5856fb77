import type { PoolClient } from 'pg'
import { z } from 'zod'
import { RunEvent } from '#core/perform/model'
import { writeAudit, type Account } from '../../../db/access.sql'
import { addEvents, listEvents } from '../../../db/run.sql'
import { addPlan } from '../../../db/plan.sql'
import { addReading } from '../../../db/reading.sql'
import { setStage } from '../../../db/visit.sql'
import { canDo } from '../../../utils/capabilities'
import { BODY_MOST } from '../../../utils/body'
import { defineVisitDoor } from '../../../utils/door'

const Body = z.strictObject({ events: z.array(RunEvent).max(500) })

/**
 * Takes events of a run, each once whatever the retries, and answers with the whole log. What was read under the lamp and a ladder
 * fitted again on the tablet become the visit's reading and its next plan. After signing events are a late appendix and change nothing.
 */
export default defineVisitDoor(
  { can: 'perform', body: Body, most: BODY_MOST.events },
  async ({ db, account, visit, body }) => {
    const { events } = body
    const fresh = await addEvents(db, visit.id, events, account.id)
    if (visit.locked_at === null) for (const one of fresh) await keep(db, visit.id, one, account)
    if (fresh.some((product) => product.body.type === 'start'))
      await setStage(db, visit.id, 'performing')
    // The whole log goes back: also who only asks for it has read it.
    const action = events.length > 0 ? 'run.write' : 'run.read'
    await writeAudit(db, account.id, action, 'client', visit.client_id, {
      visit: visit.id,
      events: events.length,
    })
    return { now: Date.now(), events: await listEvents(db, visit.id) }
  },
)

async function keep(db: PoolClient, visitId: string, { id, body }: RunEvent, account: Account) {
  if (body.type === 'read' && canDo(account.role, 'health.write'))
    await addReading(db, id, visitId, body.reading, account.id)
  if (body.type === 'replanned') await addPlan(db, id, visitId, body.plan, account.id)
}
