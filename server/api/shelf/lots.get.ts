import { z } from 'zod'
import { writeAudit } from '../../db/access.sql'
import { treatedWith } from '../../db/lot.sql'
import { defineDoor } from '../../utils/door'

const Query = z.object({ lot: z.string().trim().min(1).max(60) })

/** Who was treated with a lot: asked when a maker calls one back, or a skin answered badly. */
export default defineDoor(
  { can: 'health.read', query: Query },
  async ({ db, account, query: { lot } }) => {
    const treated = await treatedWith(db, account.salon_id, lot)
    await writeAudit(db, account.id, 'lot.trace', 'salon', account.salon_id, {
      ...{ lot, clients: new Set(treated.map(({ clientId }) => clientId)).size },
    })
    return { lot, treated }
  },
)
