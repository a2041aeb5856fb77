import { z } from 'zod'
import { listAudit } from '../../db/audit.sql'
import { defineDoor } from '../../utils/door'

const PAGE = 60
const Query = z.object({
  client: z.uuid().optional(),
  person: z.uuid().optional(),
  before: z
    .string()
    .regex(/^\d{1,18}$/)
    .optional(),
})

/** Who saw or changed what, the newest first: by client, by person, a page at a time. It cannot be changed. */
export default defineDoor({ can: 'audit.read', query: Query }, async ({ db, account, query }) => {
  const wish = {
    clientId: query.client ?? null,
    accountId: query.person ?? null,
    before: query.before ?? null,
    most: PAGE + 1,
  }
  const lines = await listAudit(db, account.salon_id, wish)
  return { lines: lines.slice(0, PAGE), hasMore: lines.length > PAGE }
})
