import { z } from 'zod'
import { Conflict } from '#core/fault'
import { writeAudit } from '../../../../db/access.sql'
import { countStaged, dropClientImport, takeStaged } from '../../../../db/clients.sql'
import { requireClientImport } from '../../../../utils/client-import'
import { defineDoor } from '../../../../utils/door'

const Body = z.strictObject({ count: z.number().int().min(1).max(200_000) })

/** Takes everything in that was sent, in one transaction: all of it, or nothing. Who is here already stays as they are. */
export default defineDoor(
  { can: 'client.files', body: Body },
  async ({ db, event, account, body: { count } }) => {
    const id = await requireClientImport(db, event)
    const staged = await countStaged(db, id)
    if (staged !== count)
      throw new Conflict({
        code: 'rows_missing',
        detail: `${staged} of ${count} rows have arrived. Nothing was taken in; send the file again.`,
      })
    const added = await takeStaged(db, id)
    await dropClientImport(db, id)
    await writeAudit(db, account.id, 'client.import', 'salon', account.salon_id, { rows: added })
    return { added, known: count - added }
  },
)
