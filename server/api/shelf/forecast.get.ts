import { z } from 'zod'
import { dateAfter } from '#core/client'
import { orderList } from '#core/costing'
import { salonById } from '../../db/salon.sql'
import { defineDoor } from '../../utils/door'
import { forecastOf } from '../../utils/forecast'

const Query = z.object({ weeks: z.coerce.number().int().min(1).max(26).default(8) })

/** What the booked weeks take off the shelf: what runs out and when, what grows old unused, and what to order. */
export default defineDoor({ can: 'shelf.read', query: Query }, async ({ db, account, query }) => {
  const { today } = (await salonById(db, account.salon_id))!
  const until = dateAfter(today, query.weeks * 7)
  const { visits, rows, all } = await forecastOf(db, account.salon_id, today, until)
  return {
    ...{ today, until, visits },
    products: all.filter((forecast) => forecast.booked > 0 || forecast.wasted > 0),
    orders: orderList(
      all,
      rows.map((row) => row.product),
    ),
  }
})
