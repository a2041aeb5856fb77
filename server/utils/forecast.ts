import type { PoolClient } from 'pg'
import { expand } from '#core/adapt'
import { forecast, usedBy, type Demand } from '#core/costing'
import { namedIn } from '#core/formats'
import { bookedUntil } from '../db/money.sql'
import { listProducts } from '../db/product.sql'
import { loadShelf } from '../db/shelf.sql'

/** What the visits that are booked from one day (ISO) to another do to the shelf, product by product. */
export async function forecastOf(db: PoolClient, salonId: string, from: string, until: string) {
  const booked = await bookedUntil(db, salonId, from, until)
  const shelf = await loadShelf(
    db,
    salonId,
    booked.flatMap((visit) => [...namedIn(visit.steps).products]),
    from,
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
  const rows = (await listProducts(db, salonId)).filter(
    (row) => !row.archived && !row.product.recipe,
  )
  return { visits: booked.length, rows, all: forecast(rows, demands, from, until) }
}
