import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { SkinAnswer } from '#core/climb/model'
import { writeAudit } from '../../../db/access.sql'
import { addCheckIn } from '../../../db/outcome.sql'
import { requireVisit } from '../../../utils/access'
import { useDb } from '../../../utils/db'
import { parseOr400, problem } from '../../../utils/problem'

const Body = z.strictObject({ askedOn: z.iso.date(), answer: SkinAnswer })

/** What the client tells a day or three after: appended beside the signed record, and read by the climb. */
export default defineEventHandler(async (event) => {
  const { account, visit } = await requireVisit(event, 'health.write')
  const { askedOn, answer } = parseOr400(Body, await readBody(event))
  if (!visit.locked_at)
    throw problem(409, {
      code: 'not_signed',
      detail: 'Sign the visit first; the answer belongs to its close.',
    })
  await addCheckIn(useDb(), randomUUID(), visit.id, askedOn, answer, account.id)
  await writeAudit(useDb(), account.id, 'check_in.write', 'client', visit.client_id, {
    visit: visit.id,
  })
  setResponseStatus(event, 201)
  return { saved: true }
})
