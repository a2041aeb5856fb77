import { KNOWN } from '#core/client'
import { listKnown } from '../../db/rules.sql'
import { defineDoor } from '../../utils/door'

/** The salon's medicines and conditions, each with the question it answers. */
export default defineDoor({ can: 'booking' }, async ({ db, account }) => {
  const list = await listKnown(db, account.salon_id)
  return list.length > 0 ? list : KNOWN
})
