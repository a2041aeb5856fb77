import { z } from 'zod'
import { Rates } from '#core/costing/model'
import { Step } from '#core/protocol/model'
import { CONCERNS } from '#core/client'
import { execute, many, maybeOne, type Db } from './rows'

const RatesRow = Rates.extend({ currency: z.string() })
/** What an hour costs, the wanted margin, and the currency. */
export async function ratesOf(
  db: Db,
  salonId: string,
): Promise<{ rates: Rates; currency: string }> {
  const { currency, ...rates } = (await maybeOne(
    db,
    RatesRow,
    `SELECT
        practitioner_hour_minor AS "practitionerPerHourMinor",
        room_hour_minor AS "roomPerHourMinor",
        margin_percent AS "marginPercent",
        turnover_minutes AS "turnoverMinutes",
        currency
      FROM salon
      WHERE id = $1`,
    [salonId],
  ))!
  return { rates, currency }
}
export const setRates = (db: Db, salonId: string, rates: Rates) =>
  execute(
    db,
    `UPDATE salon
      SET
        practitioner_hour_minor = $2,
        room_hour_minor = $3,
        margin_percent = $4,
        turnover_minutes = $5
      WHERE id = $1`,
    [
      salonId,
      rates.practitionerPerHourMinor,
      rates.roomPerHourMinor,
      rates.marginPercent,
      rates.turnoverMinutes,
    ],
  )

const PriceRow = z.object({
  kind: z.enum(['protocol', 'add-on']),
  ref: z.string(),
  priceMinor: z.number().nullable(),
  goingMinor: z.number().nullable(),
})
export type PriceRow = z.infer<typeof PriceRow>
export const listPrices = (db: Db, salonId: string) =>
  many(
    db,
    PriceRow,
    `SELECT kind, ref, price_minor AS "priceMinor", going_minor AS "goingMinor"
      FROM price
      WHERE salon_id = $1
      ORDER BY kind, ref`,
    [salonId],
  )
export const setPrice = (
  db: Db,
  salonId: string,
  { kind, ref, priceMinor, goingMinor }: PriceRow,
) =>
  execute(
    db,
    `INSERT INTO price (salon_id, kind, ref, price_minor, going_minor)
      VALUES ($1, $2, $3, $4, $5)
      ON CONFLICT (salon_id, kind, ref) DO UPDATE
      SET price_minor = excluded.price_minor, going_minor = excluded.going_minor`,
    [salonId, kind, ref, priceMinor, goingMinor],
  )

const BookedRow = z.object({
  visitId: z.string(),
  date: z.string(),
  concerns: z.array(z.enum(CONCERNS)),
  steps: z.array(Step),
  fitted: z.boolean(),
  prep: z.object({ size: z.enum(['S', 'M', 'L']) }).nullable(),
})
export type BookedRow = z.infer<typeof BookedRow>
/** Visits that are still to come until a day (ISO), with the steps they were fitted to, or else those of their card. */
export const bookedUntil = (db: Db, salonId: string, from: string, until: string) =>
  many(
    db,
    BookedRow,
    `SELECT
        v.id AS "visitId",
        to_char(v.starts_at AT TIME ZONE s.time_zone, 'YYYY-MM-DD') AS date,
        c.concerns,
        COALESCE(fp.plan -> 'steps', pv.steps) AS steps,
        fp.plan IS NOT NULL AS fitted,
        v.prep
      FROM visit v
        JOIN salon s ON s.id = v.salon_id
        JOIN client c ON c.id = v.client_id
        JOIN protocol_version pv ON pv.salon_id = v.salon_id AND pv.id = v.protocol_version_id
        LEFT JOIN LATERAL (
          SELECT plan
          FROM fitted_plan
          WHERE visit_id = v.id
          ORDER BY revision DESC
          LIMIT 1
        ) fp ON true
      WHERE v.salon_id = $1
        AND v.stage NOT IN ('closed', 'called-off')
        AND v.starts_at >= ($2::date)::timestamp AT TIME ZONE s.time_zone
        AND v.starts_at < ($3::date + 1)::timestamp AT TIME ZONE s.time_zone
      ORDER BY v.starts_at, v.id`,
    [salonId, from, until],
  )
