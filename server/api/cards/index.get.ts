import { bookableCards } from '../../db/protocol.sql'
import { requireCan } from '../../utils/access'
import { cardMoney } from '../../utils/money'
import { useDb } from '../../utils/db'
import { shelfToday } from '../../utils/shelf'

/** Every card that can be booked, whole, and what of the shelf they may use: what "which card today" compiles on the tablet. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'health.read')
  const cards = await bookableCards(useDb(), account.salon_id)
  const steps = cards.flatMap((card) => card.steps)
  return {
    cards,
    shelf: await shelfToday(useDb(), account.salon_id, steps),
    ...(await cardMoney(useDb(), account.salon_id)),
  }
})
