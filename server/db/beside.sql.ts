import { z } from 'zod'
import { PlacedSegment, Reservation } from '#core/adapt/model'
import { many, type Db } from './rows'
import type { VisitRow } from './visit.sql'

// What happens in other rooms while a visit lasts: devices that are there, and the hands of whoever performs it.

/** When other fitted visits that meet this one use a device, in seconds from its start: what was fitted first has it. */
export const reservedDevices = (db: Db, visit: VisitRow) =>
  many(
    db,
    Reservation,
    `SELECT
        step ->> 'deviceId' AS "deviceId",
        (offset_s + (part ->> 'startS')::int)::int AS "fromS",
        (offset_s + (part ->> 'endS')::int)::int AS "toS"
      FROM (
          SELECT DISTINCT ON (o.id)
            fp.plan,
            extract(epoch FROM o.starts_at - $2::timestamptz)::int AS offset_s
          FROM visit o
            JOIN fitted_plan fp ON fp.visit_id = o.id
          WHERE o.salon_id = $1
            AND o.id <> $4
            AND o.room_id <> $5
            AND o.stage IN ('open', 'performing')
            -- Plain comparisons: under row-level security an overlap of ranges finds no index. No visit is as long as a day.
            AND o.starts_at < $3
            AND o.starts_at > $2::timestamptz - interval '1 day'
            AND o.ends_at > $2
          ORDER BY o.id, fp.revision DESC
        ) other,
        jsonb_array_elements(other.plan -> 'segments') part
        JOIN LATERAL jsonb_array_elements(other.plan -> 'steps') step ON step ->> 'id' = part ->> 'stepId'
      WHERE step ->> 'deviceId' IS NOT NULL
        AND part ->> 'kind' <> 'prepare'
      ORDER BY 2`,
    [visit.salon_id, visit.starts_at, visit.ends_at, visit.id, visit.room_id],
  )

/** Visits that take turns with this one: where, when, and whether they can begin. */
export const visitsBeside = (db: Db, visit: VisitRow) =>
  many(
    db,
    z.object({ id: z.string(), room: z.string(), startsAt: z.date(), isFitted: z.boolean() }),
    `SELECT
        o.id,
        r.name AS room,
        o.starts_at AS "startsAt",
        EXISTS (SELECT FROM fitted_plan fp WHERE fp.visit_id = o.id) AS "isFitted"
      FROM visit o
        JOIN room r ON r.id = o.room_id
      WHERE o.salon_id = $1
        AND o.id <> $4
        AND o.practitioner_id = $5
        AND o.stage IN ('booked', 'open', 'performing')
        AND o.starts_at < $3
        AND o.starts_at > $2::timestamptz - interval '1 day'
        AND o.ends_at > $2
      ORDER BY o.starts_at`,
    [visit.salon_id, visit.starts_at, visit.ends_at, visit.id, visit.practitioner_id],
  )

/** Other fitted visits of the same practitioner that meet this one: their ladders, and when they begin, in seconds from its start. */
export const ladderBeside = (db: Db, visit: VisitRow) =>
  many(
    db,
    z.object({ offsetS: z.number(), segments: z.array(PlacedSegment) }),
    `SELECT DISTINCT ON (o.id)
        extract(epoch FROM o.starts_at - $2::timestamptz)::int AS "offsetS",
        fp.plan -> 'segments' AS segments
      FROM visit o
        JOIN fitted_plan fp ON fp.visit_id = o.id
      WHERE o.salon_id = $1
        AND o.id <> $4
        AND o.practitioner_id = $5
        AND o.stage IN ('open', 'performing')
        AND o.starts_at < $3
        AND o.starts_at > $2::timestamptz - interval '1 day'
        AND o.ends_at > $2
      ORDER BY o.id, fp.revision DESC`,
    [visit.salon_id, visit.starts_at, visit.ends_at, visit.id, visit.practitioner_id],
  )

/** When visits of the same practitioner that meet this one and are not fitted yet were booked to bind them, in seconds from its start. */
export const bookedBeside = (db: Db, visit: VisitRow) =>
  many(
    db,
    z.object({ fromS: z.number(), toS: z.number() }),
    `SELECT
        extract(epoch FROM b.starts_at - $2::timestamptz)::int AS "fromS",
        extract(epoch FROM b.ends_at - $2::timestamptz)::int AS "toS"
      FROM practitioner_booking b
        JOIN visit o ON o.id = b.visit_id
      WHERE o.salon_id = $1
        AND o.id <> $4
        AND b.practitioner_id = $5
        AND o.starts_at < $3
        AND o.starts_at > $2::timestamptz - interval '1 day'
        AND o.ends_at > $2
        AND NOT EXISTS (SELECT FROM fitted_plan fp WHERE fp.visit_id = o.id)
      ORDER BY 1`,
    [visit.salon_id, visit.starts_at, visit.ends_at, visit.id, visit.practitioner_id],
  )
