import { addDays, format, parseISO } from 'date-fns'
import { expand } from '#core/adapt'
import { forecast, orderList, usedBy, type Demand } from '#core/costing'
import { namedIn } from '#core/formats'
import { bookedUntil } from '../../db/money.sql'
import { salonById } from '../../db/salon.sql'
import { listProducts } from '../../db/product.sql'
import { loadShelf } from '../../db/shelf.sql'
import { z } from 'zod'
import { defineDoor } from '../../utils/door'

const Query = z.object({ weeks: z.coerce.number().int().min(1).max(26).default(8) })

/** What the booked weeks take off the shelf: what runs out and when, what grows old unused, and what to order. */
export default defineDoor({ can: 'shelf.read', query: Query }, async ({ db, account, query }) => {
  const { weeks } = query
  const { today } = (await salonById(db, account.salon_id))!
  const until = format(addDays(parseISO(today), weeks * 7), 'yyyy-MM-dd')
  const booked = await bookedUntil(db, account.salon_id, today, until)
  const shelf = await loadShelf(
    db,
    account.salon_id,
    booked.flatMap((visit) => [...namedIn(visit.steps).products]),
    today,
  )
  const demands = booked.flatMap((visit): Demand[] => {
    const steps = visit.fitted
      ? visit.steps
      : expand(visit.steps, { goals: visit.concerns, daytime: true, firstVisit: false, shelf })
          .steps
    return steps
      .flatMap((step) => usedBy(step, shelf, visit.prep?.size))
      .map(({ productId, amount }) => ({ date: visit.date, productId, amount }))
  })
  const rows = (await listProducts(db, account.salon_id)).filter(
    (row) => !row.archived && !row.product.recipe,
  )
  const all = forecast(rows, demands, today, until)
  return {
    today,
    until,
    visits: booked.length,
    products: all.filter((forecast) => forecast.booked > 0 || forecast.wasted > 0),
    orders: orderList(
      all,
      rows.map((row) => row.product),
    ),
  }
})
