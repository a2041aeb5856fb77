import { randomUUID } from 'node:crypto'
import { Reading } from '../../../../core/skin/model'
import { writeAudit } from '../../../db/access.sql'
import { addReading, setStage } from '../../../db/visit.sql'
import { requireVisit } from '../../../utils/access'
import { useDb } from '../../../utils/db'
import { explainDatabase, parseOr400 } from '../../../utils/problem'

export default defineEventHandler(async (event) => {
  const { account, visit } = await requireVisit(event, 'health.write')
  const reading = parseOr400(Reading, await readBody(event))
  try {
    await addReading(useDb(), randomUUID(), visit.id, reading, account.id)
  } catch (error) {
    throw explainDatabase(error)
  }
  if (visit.stage === 'booked') await setStage(useDb(), visit.id, 'open')
  await writeAudit(useDb(), account.id, 'reading.write', 'client', visit.client_id, { visit: visit.id })
  return sendNoContent(event)
})
