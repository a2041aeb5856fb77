import { z } from 'zod'
import { clientQuery } from '#core/client'
import { clientsCsv } from '#core/csv'
import { writeAudit } from '../../db/access.sql'
import { clientsForFile } from '../../db/clients.sql'
import { salonById } from '../../db/salon.sql'
import { defineDoor } from '../../utils/door'

const Query = z.object({ find: z.string().max(200).default('') })

/** Clients with their contact data as CSV: all of them, or those that were found. No health facts. */
export default defineDoor(
  { can: 'client.files', query: Query },
  async ({ db, event, account, query }) => {
    const { today } = (await salonById(db, account.salon_id))!
    const rows = await clientsForFile(db, clientQuery(query.find))
    await writeAudit(db, account.id, 'client.export', 'salon', account.salon_id, {
      rows: rows.length,
    })
    setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
    setResponseHeader(event, 'content-disposition', `attachment; filename="clients-${today}.csv"`)
    return clientsCsv(rows)
  },
)
