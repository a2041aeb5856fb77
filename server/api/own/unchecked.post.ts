import { z } from 'zod'
import { writeAudit } from '../../db/access.sql'
import { defineDoor } from '../../utils/door'

/** A cover that was lifted without a network, where no PIN could be checked: it is written down when the network is back. */
export default defineDoor(
  { can: 'own.write', body: z.strictObject({ at: z.iso.datetime() }) },
  async ({ db, account, body }) => {
    await writeAudit(db, account.id, 'own.unchecked', 'account', account.id, body)
  },
)
