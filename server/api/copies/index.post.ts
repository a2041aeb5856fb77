import { z } from 'zod'
import { Conflict } from '#core/fault'
import { writeAudit, type Account } from '../../db/access.sql'
import { inSalon } from '../../db/rows'
import { salonById } from '../../db/salon.sql'
import { useDb, worldOf } from '../../utils/db'
import { defineDoor } from '../../utils/door'
import { askStarter } from '../../utils/starter'
import type { H3Event } from 'h3'

const PATIENCE_MS = 600_000

interface Asked {
  readonly event: H3Event
  readonly account: Account
}
/** Made before the transaction: it may take minutes, and no connection is held meanwhile. */
async function makeCopy({ event, account }: Asked): Promise<void> {
  if (worldOf(event) === 'demo')
    throw new Conflict({ code: 'no_copy', detail: 'The demo studio is not copied.' })
  const salon = await inSalon(useDb(event), account.salon_id, (db) =>
    salonById(db, account.salon_id),
  )
  const { folder, count } = salon!.choices.copies
  const done = await askStarter('copy', { folder, keep: count }, PATIENCE_MS)
  if (done !== true) throw new Conflict({ code: 'no_copy', detail: String(done) })
}

/** Makes a copy of everything now, as the salon has chosen its copies. */
export default defineDoor(
  { can: 'salon.write', body: z.strictObject({}), before: makeCopy },
  async ({ db, account }) => {
    await writeAudit(db, account.id, 'copy.make', 'salon', account.salon_id)
  },
)
