import { z } from 'zod'
import { many, type Db } from './rows'

const Treated = z.object({
  visitId: z.string(),
  clientId: z.string(),
  client: z.string(),
  on: z.string(),
  /** The product, or that it was a cartridge. */
  what: z.string(),
  amount: z.coerce.number().nullable(),
  unit: z.enum(['g', 'mL']).nullable(),
})
const MOST_TREATED = 1000

/** Who was treated with a lot, as it is written on the pack: products, and cartridges of needling; the newest first. */
export const treatedWith = (db: Db, salonId: string, lot: string) =>
  many(
    db,
    Treated,
    `SELECT
        v.id AS "visitId",
        c.id AS "clientId",
        c.name AS client,
        to_char(v.starts_at AT TIME ZONE s.time_zone, 'YYYY-MM-DD') AS "on",
        used.what,
        used.amount,
        used.unit
      FROM (
          SELECT u.visit_id, p.name AS what, u.amount, u.unit
          FROM visit_use u
            JOIN product p ON p.salon_id = u.salon_id AND p.id = u.product_id
          WHERE u.salon_id = $1
            AND u.lot = $2
          UNION ALL
          SELECT e.visit_id, 'Cartridge', NULL, NULL
          FROM run_event e
          WHERE e.salon_id = $1
            AND e.body ->> 'type' = 'cartridge'
            AND e.body ->> 'lot' = $2
            AND NOT EXISTS (
              SELECT
              FROM run_event r
              WHERE r.visit_id = e.visit_id
                AND r.body ->> 'type' = 'retract'
                AND r.body ->> 'eventId' = e.id::text
            )
        ) used
        JOIN visit v ON v.id = used.visit_id
        JOIN client c ON c.id = v.client_id
        JOIN salon s ON s.id = v.salon_id
      ORDER BY v.starts_at DESC, used.what
      LIMIT ${MOST_TREATED}`,
    [salonId, lot],
  )
