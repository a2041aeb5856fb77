import { listTablets } from '../../db/tablet.sql'
import { defineDoor } from '../../utils/door'
import { tabletOf } from '../../utils/tablet'

/** The salon's tablets, and which of them this browser is. */
export default defineDoor({ can: 'people.write' }, async ({ db, event, account }) => {
  const here = await tabletOf(event)
  const tablets = await listTablets(db, account.salon_id)
  return tablets.map((tablet) => ({ ...tablet, isHere: tablet.id === here?.id }))
})
