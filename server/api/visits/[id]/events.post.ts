import { z } from 'zod'
import { RunEvent } from '../../../../core/perform/events'
import { writeAudit } from '../../../db/access.sql'
import { inTransaction } from '../../../db/rows'
import { addEvents, listEvents, setStage } from '../../../db/visit.sql'
import { requireVisit } from '../../../utils/access'
import { useDb } from '../../../utils/db'
import { parseOr400 } from '../../../utils/problem'

const Body = z.strictObject({ events: z.array(RunEvent).max(500) })

/** Takes events of a run, each once whatever the retries, and answers with the whole log. After signing they are a late appendix. */
export default defineEventHandler(async (event) => {
  const { account, visit } = await requireVisit(event, 'perform')
  const { events } = parseOr400(Body, await readBody(event))
  await inTransaction(useDb(), async (db) => {
    await addEvents(db, visit.id, events, account.id)
    if (events.some((one) => one.body.type === 'start')) await setStage(db, visit.id, 'performing')
    if (events.length > 0) await writeAudit(db, account.id, 'run.write', 'client', visit.client_id, { visit: visit.id, events: events.length })
  })
  return { now: Date.now(), events: await listEvents(useDb(), visit.id) }
})
