import { laddersOf } from '../../db/board.sql'
import { salonById } from '../../db/salon.sql'
import { visitsOn } from '../../db/visit.sql'
import { firstThings } from '../../utils/board'
import { canDo } from '../../utils/capabilities'
import { worldOf } from '../../utils/db'
import { defineDoor } from '../../utils/door'

/** What is to be done today before the rest. Asked beside the day itself, which does not wait for it. */
export default defineDoor({ can: 'booking' }, async ({ db, event, account }) => {
  const { today } = (await salonById(db, account.salon_id))!
  const visits = await visitsOn(db, account.salon_id, today)
  const mayRead = canDo(account.role, 'health.read')
  const ladders = await laddersOf(
    db,
    visits.map(({ id }) => id),
    mayRead,
  )
  const isOwnWorld = worldOf(event) === 'own'
  return firstThings({ db, account, today, visits, ladders, isOwnWorld })
})
