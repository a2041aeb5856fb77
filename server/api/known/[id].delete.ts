import { Conflict } from '#core/fault'
import { writeAudit } from '../../db/access.sql'
import { isKnownInUse, listKnown, removeKnown } from '../../db/rules.sql'
import { requireCan } from '../../utils/access'
import { useDb } from '../../utils/db'

/** Takes an entry off the salon's list, unless a client has it: then its rule would fall silent. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'rules.write')
  const id = getRouterParam(event, 'id') ?? ''
  const own = await listKnown(useDb(), account.salon_id)
  if (!own.some((entry) => entry.id === id))
    throw new Conflict({
      code: 'ships',
      detail: 'This entry ships with the application; change it first, then it is the salon’s own.',
      path: 'id',
    })
  if (await isKnownInUse(useDb(), account.salon_id, id))
    throw new Conflict({
      code: 'in_use',
      detail: 'A client takes this. Change the answer first, or its rule would fall silent.',
      path: 'id',
    })
  await removeKnown(useDb(), account.salon_id, id)
  await writeAudit(useDb(), account.id, 'known.remove', 'known', id)
  return sendNoContent(event)
})
