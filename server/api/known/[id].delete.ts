import { Conflict } from '#core/fault'
import { writeAudit } from '../../db/access.sql'
import { isKnownInUse, listKnown, removeKnown } from '../../db/rules.sql'
import { defineDoor } from '../../utils/door'

/** Takes an entry off the salon's list, unless a client has it: then its rule would fall silent. */
export default defineDoor({ can: 'rules.write' }, async ({ db, event, account }) => {
  const id = getRouterParam(event, 'id') ?? ''
  const own = await listKnown(db, account.salon_id)
  if (!own.some((entry) => entry.id === id))
    throw new Conflict({
      code: 'ships',
      detail: 'This entry ships with the application; change it first, then it is the salon’s own.',
      path: 'id',
    })
  if (await isKnownInUse(db, account.salon_id, id))
    throw new Conflict({
      code: 'in_use',
      detail: 'A client takes this. Change the answer first, or its rule would fall silent.',
      path: 'id',
    })
  await removeKnown(db, account.salon_id, id)
  await writeAudit(db, account.id, 'known.remove', 'known', id)
})
