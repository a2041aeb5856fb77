import Papa from 'papaparse'
import { z } from 'zod'
import { writeAudit } from '../../db/access.sql'
import { listAudit } from '../../db/audit.sql'
import { salonById } from '../../db/salon.sql'
import { defineDoor } from '../../utils/door'

const MOST = 100_000
const FIELDS = ['At', 'Who', 'Action', 'Kind', 'Id', 'Client', 'Detail']
const Query = z.object({ client: z.uuid().optional(), person: z.uuid().optional() })

/** The log as CSV, the newest first; taking it out stands in it. */
export default defineDoor(
  { can: 'audit.read', query: Query },
  async ({ db, event, account, query }) => {
    const { today } = (await salonById(db, account.salon_id))!
    const lines = await listAudit(db, account.salon_id, {
      clientId: query.client ?? null,
      accountId: query.person ?? null,
      before: null,
      most: MOST,
    })
    await writeAudit(db, account.id, 'audit.export', 'salon', account.salon_id, {
      rows: lines.length,
    })
    setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
    setResponseHeader(event, 'content-disposition', `attachment; filename="log-${today}.csv"`)
    const data = lines.map((line) => [
      ...[line.at.toISOString(), line.who, line.action, line.kind, line.subjectId],
      ...[line.client ?? '', JSON.stringify(line.detail)],
    ])
    return Papa.unparse({ fields: FIELDS, data }, { newline: '\r\n', escapeFormulae: true })
  },
)
