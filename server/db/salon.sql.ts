import { randomInt } from 'node:crypto'
import { z } from 'zod'
import { TECHNIQUES } from '#core/safety'
import { ClosedDay, Opening, SalonChoices, type SalonFacts } from '#core/salon/model'
import { MEASURES } from '#core/salon'
import { Reading } from '#core/skin/model'
import { execute, many, maybeOne, type Db } from './rows'

const Salon = z.object({
  id: z.string(),
  name: z.string(),
  time_zone: z.string(),
  emergency_number: z.string(),
  address: z.string(),
  turnover_minutes: z.number(),
  currency: z.string(),
  measures: z.enum(MEASURES),
  today: z.string(),
  choices: SalonChoices,
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
        currency,
        measures,
        choices,
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
  many(
    db,
    Named,
    `SELECT id, name
      FROM room
      WHERE salon_id = $1
        AND closed_on IS NULL
      ORDER BY name`,
    [salonId],
  )
/** Renames a room, or says whether it is used; how many that were: none or one. */
export const setRoom = (
  db: Db,
  id: string,
  { name, isUsed, today }: { name: string; isUsed: boolean; today: string },
) =>
  execute(
    db,
    `UPDATE room
      SET name = $2,
        closed_on = CASE WHEN NOT $3 THEN COALESCE(closed_on, $4::date) END
      WHERE id = $1`,
    [id, name, isUsed, today],
  )
/** Every room, with whether it is used; those that are not come last. */
export const allRooms = (db: Db, salonId: string) =>
  many(
    db,
    Named.extend({ isUsed: z.boolean() }),
    `SELECT id, name, closed_on IS NULL AS "isUsed"
      FROM room
      WHERE salon_id = $1
      ORDER BY closed_on IS NOT NULL, name`,
    [salonId],
  )
export const listPractitioners = (db: Db, salonId: string) =>
  many(
    db,
    Named,
    `SELECT id, name
      FROM practitioner
      WHERE salon_id = $1
        AND left_on IS NULL
      ORDER BY name`,
    [salonId],
  )
/** Everybody who is a client, by name. */
export const listClients = (db: Db, salonId: string) =>
  many(
    db,
    Named,
    `SELECT id, name
      FROM client
      WHERE salon_id = $1
        AND merged_into IS NULL
        AND erased_at IS NULL
        AND restricted_at IS NULL
      ORDER BY sort_name, id`,
    [salonId],
  )
/** What a practitioner of this salon may do, and what must be minded about them; undefined where there is no such person. */
export const practitionerById = (db: Db, salonId: string, id: string) =>
  maybeOne(
    db,
    z.object({ scope: z.array(z.enum(TECHNIQUES)), hazards: z.array(z.string()) }),
    `SELECT scope_on(p.salon_id, p.id, (now() AT TIME ZONE s.time_zone)::date) AS scope, p.hazards
      FROM practitioner p
        JOIN salon s ON s.id = p.salon_id
      WHERE p.salon_id = $1
        AND p.id = $2`,
    [salonId, id],
  )
/** Whether somebody has set up a salon in this database. Asked before anybody is signed in. */
export const hasSalon = async (db: Db): Promise<boolean> =>
  (await maybeOne(db, z.object({ has: z.boolean() }), 'SELECT has_salon() AS has'))!.has
/** The code to set up with, made where there is none yet. Asked by whoever owns the database: who serves never reads it. */
export async function setUpCode(db: Db): Promise<string> {
  await execute(db, 'INSERT INTO set_up (code) VALUES ($1) ON CONFLICT DO NOTHING', [
    newSetUpCode(),
  ])
  return (await maybeOne(db, z.object({ code: z.string() }), 'SELECT code FROM set_up'))!.code
}

export const hasDemoSignIn = async (db: Db) =>
  (await maybeOne(
    db,
    z.object({ n: z.coerce.number() }),
    'SELECT count(*) AS n FROM account WHERE demo',
  ))!.n > 0
/** The first salon of a database, for whoever has the code. Gives why not where it was not made. */
export const setUpSalon = async (
  db: Db,
  code: string,
  salon: { id: string; name: string; timeZone: string; currency: string },
): Promise<'made' | 'wrong' | 'done'> =>
  (await maybeOne(
    db,
    z.object({ outcome: z.enum(['made', 'wrong', 'done']) }),
    'SELECT set_up_salon($1, $2, $3, $4, $5) AS outcome',
    [code, salon.id, salon.name, salon.timeZone, salon.currency],
  ))!.outcome

export const addSalon = (db: Db, salon: SalonFacts & { id: string; turnoverMinutes: number }) =>
  execute(
    db,
    `INSERT INTO salon (
        id,
        name,
        time_zone,
        currency,
        emergency_number,
        address,
        turnover_minutes,
        measures
      )
      VALUES ($1, $2, $3, $4, $5, $6, $7, $8)`,
    [
      ...[salon.id, salon.name, salon.timeZone, salon.currency, salon.emergencyNumber],
      ...[salon.address, salon.turnoverMinutes, salon.measures],
    ],
  )

export const setSalonFacts = (db: Db, id: string, facts: SalonFacts) =>
  execute(
    db,
    `UPDATE salon
      SET
        name = $2,
        time_zone = $3,
        currency = $4,
        emergency_number = $5,
        address = $6,
        measures = $7
      WHERE id = $1`,
    [
      ...[id, facts.name, facts.timeZone, facts.currency],
      ...[facts.emergencyNumber, facts.address, facts.measures],
    ],
  )
export const setChoices = (db: Db, id: string, choices: SalonChoices) =>
  execute(db, 'UPDATE salon SET choices = $2 WHERE id = $1', [id, JSON.stringify(choices)])
export const setTurnover = (db: Db, id: string, minutes: number) =>
  execute(db, 'UPDATE salon SET turnover_minutes = $2 WHERE id = $1', [id, minutes])

export const addRoom = (db: Db, id: string, salonId: string, name: string) =>
  execute(db, 'INSERT INTO room (id, salon_id, name) VALUES ($1, $2, $3)', [id, salonId, name])

/** When the salon is open, in order. */
export const listOpenings = (db: Db, salonId: string) =>
  many(
    db,
    Opening,
    `SELECT weekday, to_char(opens, 'HH24:MI') AS opens, to_char(closes, 'HH24:MI') AS closes
      FROM opening
      WHERE salon_id = $1
      ORDER BY weekday, opens`,
    [salonId],
  )
/** Writes the hours whole. */
export async function setOpenings(db: Db, openings: readonly Opening[]) {
  await execute(db, 'DELETE FROM opening')
  await execute(
    db,
    `INSERT INTO opening (weekday, opens, closes)
      SELECT weekday, opens, closes
      FROM jsonb_to_recordset($1) AS o (weekday int, opens time, closes time)`,
    [JSON.stringify(openings)],
  )
}

/** Days on which it is closed, from a day (ISO) on. */
export const listClosedDays = (db: Db, salonId: string, from: string) =>
  many(
    db,
    ClosedDay,
    `SELECT to_char(day, 'YYYY-MM-DD') AS day, reason
      FROM closed_day
      WHERE salon_id = $1
        AND day >= $2
      ORDER BY day`,
    [salonId, from],
  )
/** Writes the closed days from a day (ISO) on whole; those before it stay. */
export async function setClosedDays(db: Db, from: string, days: readonly ClosedDay[]) {
  await execute(db, 'DELETE FROM closed_day WHERE day >= $1', [from])
  await execute(
    db,
    `INSERT INTO closed_day (day, reason)
      SELECT day, reason
      FROM jsonb_to_recordset($1) AS d (day date, reason text)`,
    [JSON.stringify(days)],
  )
}

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

/** Letters and digits that nobody takes for each other. */
const CODE_SIGNS = '23456789ABCDEFGHJKLMNPQRSTUVWXYZ'
const CODE_LENGTH = 10

const newSetUpCode = (): string =>
  Array.from({ length: CODE_LENGTH }, () => CODE_SIGNS[randomInt(CODE_SIGNS.length)]).join('')
