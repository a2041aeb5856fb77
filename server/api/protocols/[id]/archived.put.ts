import { z } from 'zod'
import { writeAudit } from '../../../db/access.sql'
import { setArchived } from '../../../db/protocol.sql'
import { useDb } from '../../../utils/db'
import { readJson } from '../../../utils/body'
import { parsed } from '../../../utils/problem'
import { requireProtocol } from '../../../utils/protocol'

const Body = z.strictObject({ archived: z.boolean() })

/** Puts a protocol away or takes it out again; what is booked keeps it. */
export default defineEventHandler(async (event) => {
  const { account, protocol } = await requireProtocol(event, 'protocol.write')
  const { archived } = parsed(Body, await readJson(event))
  await setArchived(useDb(), protocol.id, archived)
  await writeAudit(
    useDb(),
    account.id,
    archived ? 'protocol.archive' : 'protocol.restore',
    'protocol',
    protocol.id,
  )
  return sendNoContent(event)
})
