import { z } from 'zod'
import { TECHNIQUES } from '#core/safety'
import { Reading } from '#core/skin/model'
import { execute, many, maybeOne, type Db } from './rows'

const Salon = z.object({
  id: z.string(),
  name: z.string(),
  time_zone: z.string(),
  emergency_number: z.string(),
  address: z.string(),
  turnover_minutes: z.number(),
  today: z.string(),
})

/** The salon with its own date of today. */
export const salonById = (db: Db, id: string) =>
  maybeOne(
    db,
    Salon,
    `SELECT
        id,
        name,
        time_zone,
        emergency_number,
        address,
        turnover_minutes,
        to_char(now() AT TIME ZONE time_zone, 'YYYY-MM-DD') AS today
      FROM salon
      WHERE id = $1`,
    [id],
  )
/** The instant of a day and a time of day on the salon's own clock. */
export const salonInstant = async (db: Db, id: string, date: string, time: string): Promise<Date> =>
  (await maybeOne(
    db,
    z.object({ at: z.date() }),
    `SELECT ($2::date + $3::time) AT TIME ZONE time_zone AS at
      FROM salon
      WHERE id = $1`,
    [id, date, time],
  ))!.at
const Named = z.object({ id: z.string(), name: z.string() })
export const listRooms = (db: Db, salonId: string) =>
  many(db, Named, 'SELECT id, name FROM room WHERE salon_id = $1 ORDER BY name', [salonId])
export const listPractitioners = (db: Db, salonId: string) =>
  many(db, Named, 'SELECT id, name FROM practitioner WHERE salon_id = $1 ORDER BY name', [salonId])
/** What a practitioner of this salon may do, and what must be minded about them; undefined where there is no such person. */
export const practitionerById = (db: Db, salonId: string, id: string) =>
  maybeOne(
    db,
    z.object({ scope: z.array(z.enum(TECHNIQUES)), hazards: z.array(z.string()) }),
    `SELECT scope, hazards
      FROM practitioner
      WHERE salon_id = $1
        AND id = $2`,
    [salonId, id],
  )
export const listClients = (db: Db, salonId: string) =>
  many(db, Named, 'SELECT id, name FROM client WHERE salon_id = $1 ORDER BY name', [salonId])
export const isEmpty = async (db: Db) =>
  (await maybeOne(db, z.object({ n: z.coerce.number() }), 'SELECT count(*) AS n FROM salon'))!.n ===
  0
export const hasDemoSignIn = async (db: Db) =>
  (await maybeOne(
    db,
    z.object({ n: z.coerce.number() }),
    'SELECT count(*) AS n FROM account WHERE demo',
  ))!.n > 0
export const addSalon = (
  db: Db,
  s: {
    id: string
    name: string
    timeZone: string
    currency: string
    emergencyNumber: string
    address: string
    turnoverMinutes: number
  },
) =>
  execute(
    db,
    `INSERT INTO salon (id, name, time_zone, currency, emergency_number, address, turnover_minutes)
      VALUES ($1, $2, $3, $4, $5, $6, $7)`,
    [s.id, s.name, s.timeZone, s.currency, s.emergencyNumber, s.address, s.turnoverMinutes],
  )

/** The last reading of a client, or undefined. */
export const lastReadingOf = async (db: Db, clientId: string) =>
  (
    await maybeOne(
      db,
      z.object({ body: Reading }),
      `SELECT r.body
        FROM reading r
          JOIN visit v ON v.id = r.visit_id
        WHERE v.client_id = $1
          AND (r.body ->> 'done')::boolean
        ORDER BY v.starts_at DESC, r.read_at DESC
        LIMIT 1`,
      [clientId],
    )
  )?.body
