import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { SkinAnswer } from '#core/climb/model'
import { Conflict } from '#core/fault'
import { writeAudit } from '../../../db/access.sql'
import { addCheckIn } from '../../../db/outcome.sql'
import { requireVisit } from '../../../utils/access'
import { useDb } from '../../../utils/db'
import { readJson } from '../../../utils/body'
import { parsed } from '../../../utils/problem'
import { created } from '../../../utils/reply'

const Body = z.strictObject({ askedOn: z.iso.date(), answer: SkinAnswer })

/** What the client tells a day or three after: appended beside the signed record, and read by the climb. */
export default defineEventHandler(async (event) => {
  const { account, visit } = await requireVisit(event, 'health.write')
  const { askedOn, answer } = parsed(Body, await readJson(event))
  if (!visit.locked_at)
    throw new Conflict({
      code: 'not_signed',
      detail: 'Sign the visit first; the answer belongs to its close.',
    })
  const id = randomUUID()
  await addCheckIn(useDb(), id, visit.id, askedOn, answer, account.id)
  await writeAudit(useDb(), account.id, 'check_in.write', 'client', visit.client_id, {
    visit: visit.id,
  })
  return created(event, { id })
})
