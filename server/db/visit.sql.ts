import { z } from 'zod'
import { Prep, SlotWish } from '#core/adapt/model'
import type { Span } from '#core/booking'
import { TECHNIQUES } from '#core/safety'
import { execute, many, maybeOne, type Db } from './rows'

const STAGES = ['booked', 'open', 'performing', 'closed', 'called-off'] as const

export type Stage = (typeof STAGES)[number]

const Visit = z.object({
  id: z.string(),
  salon_id: z.string(),
  client_id: z.string(),
  client_name: z.string(),
  room_id: z.string(),
  room_name: z.string(),
  practitioner_id: z.string(),
  practitioner_name: z.string(),
  scope: z.array(z.enum(TECHNIQUES)),
  hazards: z.array(z.string()),
  walk_in: z.boolean(),
  protocol_id: z.string(),
  protocol_version_id: z.string(),
  protocol_name: z.string(),
  starts_at: z.date(),
  ends_at: z.date(),
  room_until: z.date(),
  stage: z.enum(STAGES),
  locked_at: z.date().nullable(),
  time_zone: z.string(),
  fit: SlotWish.nullable(),
  prep: Prep.nullable(),
})

export type VisitRow = z.infer<typeof Visit>

export const visitById = (db: Db, salonId: string, id: string) =>
  maybeOne(db, Visit, 'SELECT * FROM visit_detail WHERE salon_id = $1 AND id = $2', [salonId, id])

/** Holds a visit of a salon until the transaction ends. */
export const lockVisit = (db: Db, salonId: string, id: string) =>
  execute(db, 'SELECT FROM visit WHERE salon_id = $1 AND id = $2 FOR NO KEY UPDATE', [salonId, id])

/** Visits of one day in the salon's own time zone, in order of time and room. */
export const visitsOn = (db: Db, salonId: string, date: string) =>
  many(
    db,
    Visit,
    `SELECT *
      FROM visit_detail v
      WHERE v.salon_id = $1
        AND v.starts_at >= ($2::date)::timestamp AT TIME ZONE v.time_zone
        AND v.starts_at < ($2::date + 1)::timestamp AT TIME ZONE v.time_zone
        AND v.stage <> 'called-off'
      ORDER BY v.starts_at, v.room_name`,
    [salonId, date],
  )

/** The first visit of the same client after this one, or undefined. */
export const nextVisitOf = (db: Db, visit: VisitRow) =>
  maybeOne(
    db,
    Visit,
    `SELECT *
      FROM visit_detail v
      WHERE v.client_id = $1
        AND v.starts_at > $2
        AND v.stage NOT IN ('closed', 'called-off')
      ORDER BY v.starts_at
      LIMIT 1`,
    [visit.client_id, visit.starts_at],
  )

/** The practitioner's next visit on the same day, or undefined: when the room must be free again. One that takes turns with this one is none. */
export const followingVisit = (db: Db, visit: VisitRow) =>
  maybeOne(
    db,
    Visit,
    `SELECT *
      FROM visit_detail v
      WHERE v.practitioner_id = $1
        AND v.starts_at > $2
        AND v.starts_at >= $3
        AND v.starts_at < $2::timestamptz + interval '12 hours'
        AND v.stage <> 'called-off'
      ORDER BY v.starts_at
      LIMIT 1`,
    [visit.practitioner_id, visit.starts_at, visit.ends_at],
  )

export interface Booking {
  id: string
  salonId: string
  clientId: string
  roomId: string
  practitionerId: string
  protocolVersionId: string
  startsAt: Date
  slotMinutes: number
  turnoverMinutes: number
  walkIn?: boolean
  /** Takes turns with others of the same practitioner: when each of them, this one too, binds whoever performs it. */
  turns?: readonly Turn[]
}

/** When a visit binds whoever performs it. */
export interface Turn {
  readonly id: string
  readonly spans: readonly Span[]
}
const MINUTE_MS = 60_000

/** Books room and practitioner; a clash violates an exclusion constraint (`visit_room_free`, `practitioner_free`). Needs a transaction. */
export async function bookVisit(db: Db, booking: Booking) {
  await execute(
    db,
    `INSERT INTO visit (
        id,
        salon_id,
        client_id,
        room_id,
        practitioner_id,
        protocol_version_id,
        starts_at,
        ends_at,
        room_until,
        walk_in
      )
      VALUES
        (
          $1,
          $2,
          $3,
          $4,
          $5,
          $6,
          $7,
          $7::timestamptz + make_interval(mins => $8::int),
          $7::timestamptz + make_interval(mins => $8::int + $9::int),
          $10
        )`,
    [
      booking.id,
      booking.salonId,
      booking.clientId,
      booking.roomId,
      booking.practitionerId,
      booking.protocolVersionId,
      booking.startsAt,
      booking.slotMinutes,
      booking.turnoverMinutes,
      booking.walkIn ?? false,
    ],
  )
  const whole = {
    fromMs: +booking.startsAt,
    toMs: +booking.startsAt + booking.slotMinutes * MINUTE_MS,
  }
  const turns = booking.turns ?? [{ id: booking.id, spans: [whole] }]
  await bindTo(db, booking.practitionerId, turns)
}

/** When visits bind whoever performs them; what bound them before is forgotten. Needs a transaction. */
export async function bindTo(db: Db, practitionerId: string, visits: readonly Turn[]) {
  const ids = visits.map(({ id }) => id)
  await execute(db, 'DELETE FROM practitioner_booking WHERE visit_id = ANY ($1)', [ids])
  const rows = visits.flatMap(({ id, spans }) => spans.map((span) => ({ id, ...span })))
  await execute(
    db,
    `INSERT INTO practitioner_booking (visit_id, practitioner_id, starts_at, ends_at)
      SELECT r.id, $1, r.starts_at, r.ends_at
      FROM unnest($2::uuid[], $3::timestamptz[], $4::timestamptz[]) AS r (id, starts_at, ends_at)`,
    [
      practitionerId,
      rows.map(({ id }) => id),
      rows.map(({ fromMs }) => new Date(fromMs)),
      rows.map(({ toMs }) => new Date(toMs)),
    ],
  )
}

/** How a visit is to be fitted to its slot, from now on. */
export const setFit = (db: Db, id: string, fit: SlotWish) =>
  execute(db, 'UPDATE visit SET fit = $2 WHERE id = $1 AND locked_at IS NULL', [
    id,
    JSON.stringify(fit),
  ])

/** Another card; what was decided about the steps and the tray of the old one goes with it, another length stays. */
export const setCard = (db: Db, id: string, protocolVersionId: string) =>
  execute(
    db,
    `UPDATE visit
      SET protocol_version_id = $2,
        fit = CASE
          WHEN fit ->> 'slotMinutes' IS NOT NULL THEN fit || '{"mustStay": [], "grow": false}'
        END,
        prep = NULL
      WHERE id = $1
        AND locked_at IS NULL`,
    [id, protocolVersionId],
  )

/** What is decided while the tray is laid. */
export const setPrep = (db: Db, id: string, prep: Prep) =>
  execute(db, 'UPDATE visit SET prep = $2 WHERE id = $1 AND locked_at IS NULL', [
    id,
    JSON.stringify(prep),
  ])

export const setStage = (db: Db, id: string, stage: Stage) =>
  execute(
    db,
    `UPDATE visit
    SET stage = $2
    WHERE id = $1
      AND stage <> $2
      AND locked_at IS NULL`,
    [id, stage],
  )
