import { bookableCards } from '../../db/protocol.sql'
import { cardMoney } from '../../utils/money'
import { shelfToday } from '../../utils/shelf'
import { defineDoor } from '../../utils/door'

/** Every card that can be booked, whole, and what of the shelf they may use: what "which card today" compiles on the tablet. */
export default defineDoor({ can: 'health.read' }, async ({ db, account }) => {
  const cards = await bookableCards(db, account.salon_id)
  const steps = cards.flatMap((card) => card.steps)
  return {
    cards,
    shelf: await shelfToday(db, account.salon_id, steps),
    ...(await cardMoney(db, account.salon_id)),
  }
})
