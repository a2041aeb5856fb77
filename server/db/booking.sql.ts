import { z } from 'zod'
import type { Busy, Span } from '#core/booking'
import { execute, many, maybeOne, type Db } from './rows'

// What a day of the salon offers for a visit, and what is done with one that is booked.

const SpanRow = z.object({ from: z.date(), to: z.date() })
const asSpan = ({ from, to }: z.infer<typeof SpanRow>): Span => ({
  fromMs: from.getTime(),
  toMs: to.getTime(),
})
/** When the salon is open on a day (ISO), as instants: a day on which its clock changes has its own. No hours were ever told: all day. */
export async function openOn(db: Db, salonId: string, date: string): Promise<Span[]> {
  const rows = await many(
    db,
    SpanRow,
    `SELECT
        ($2::date + o.opens) AT TIME ZONE s.time_zone AS "from",
        ($2::date + o.closes) AT TIME ZONE s.time_zone AS "to"
      FROM salon s
        JOIN opening o ON o.salon_id = s.id AND o.weekday = extract(isodow FROM $2::date)
      WHERE s.id = $1
        AND NOT EXISTS (
          SELECT
          FROM closed_day c
          WHERE c.salon_id = s.id
            AND c.day = $2::date
        )
      UNION ALL
      SELECT
        ($2::date)::timestamp AT TIME ZONE s.time_zone,
        ($2::date + 1)::timestamp AT TIME ZONE s.time_zone
      FROM salon s
      WHERE s.id = $1
        AND NOT EXISTS (SELECT FROM opening o WHERE o.salon_id = s.id)
        AND NOT EXISTS (
          SELECT
          FROM closed_day c
          WHERE c.salon_id = s.id
            AND c.day = $2::date
        )
      ORDER BY 1`,
    [salonId, date],
  )
  return rows.map(asSpan)
}

const BusyRow = SpanRow.extend({ id: z.string() })
const asBusy = ({ id, ...span }: z.infer<typeof BusyRow>): Busy => ({ id, ...asSpan(span) })
// No visit is as long as a day: plain comparisons find their index under row-level security, an overlap of ranges does not.
interface Within {
  readonly from: Date
  readonly to: Date
  /** A visit that is to be moved is not in its own way. */
  readonly but: string | null
}
/** When rooms are taken, turnover included. */
export const busyRooms = async (db: Db, salonId: string, { from, to, but }: Within) =>
  (
    await many(
      db,
      BusyRow,
      `SELECT room_id AS id, starts_at AS "from", room_until AS "to"
        FROM visit
        WHERE salon_id = $1
          AND stage <> 'called-off'
          AND starts_at < $3
          AND starts_at > $2::timestamptz - interval '1 day'
          AND room_until > $2
          AND id IS DISTINCT FROM $4`,
      [salonId, from, to, but],
    )
  ).map(asBusy)
export const busyPractitioners = async (db: Db, salonId: string, { from, to, but }: Within) =>
  (
    await many(
      db,
      BusyRow,
      `SELECT practitioner_id AS id, starts_at AS "from", ends_at AS "to"
        FROM practitioner_booking
        WHERE salon_id = $1
          AND starts_at < $3
          AND starts_at > $2::timestamptz - interval '1 day'
          AND ends_at > $2
          AND visit_id IS DISTINCT FROM $4`,
      [salonId, from, to, but],
    )
  ).map(asBusy)
/** Visits that bind somebody within a time, with what they are made of and when they were booked to. */
export const boundVisits = (db: Db, salonId: string, { from, to }: Omit<Within, 'but'>) =>
  many(
    db,
    z.object({
      id: z.string(),
      practitionerId: z.string(),
      versionId: z.string(),
      startsAt: z.date(),
      endsAt: z.date(),
      booked: z.array(z.object({ fromMs: z.number(), toMs: z.number() })),
    }),
    `SELECT
        v.id,
        v.practitioner_id AS "practitionerId",
        v.protocol_version_id AS "versionId",
        v.starts_at AS "startsAt",
        v.ends_at AS "endsAt",
        (
          SELECT jsonb_agg(
            jsonb_build_object(
              'fromMs',
              (extract(epoch FROM b.starts_at) * 1000)::bigint,
              'toMs',
              (extract(epoch FROM b.ends_at) * 1000)::bigint
            )
            ORDER BY b.starts_at
          )
          FROM practitioner_booking b
          WHERE b.visit_id = v.id
        ) AS booked
      FROM visit v
      WHERE v.salon_id = $1
        AND v.stage <> 'called-off'
        AND v.starts_at < $3
        AND v.starts_at > $2::timestamptz - interval '1 day'
        AND v.ends_at > $2
        AND EXISTS (SELECT FROM practitioner_booking b WHERE b.visit_id = v.id)
      ORDER BY v.starts_at`,
    [salonId, from, to],
  )
/** When devices are named by the cards of other visits. */
export const busyDevices = async (db: Db, salonId: string, { from, to, but }: Within) =>
  (
    await many(
      db,
      BusyRow,
      `SELECT DISTINCT step ->> 'deviceId' AS id, v.starts_at AS "from", v.ends_at AS "to"
        FROM visit v
          JOIN protocol_version pv ON pv.salon_id = v.salon_id AND pv.id = v.protocol_version_id,
          jsonb_array_elements(pv.steps) AS step
        WHERE v.salon_id = $1
          AND v.stage NOT IN ('called-off', 'closed')
          AND v.starts_at < $3
          AND v.starts_at > $2::timestamptz - interval '1 day'
          AND v.ends_at > $2
          AND v.id IS DISTINCT FROM $4
          AND step ->> 'deviceId' IS NOT NULL`,
      [salonId, from, to, but],
    )
  ).map(asBusy)

const Scoped = z.object({ id: z.string(), name: z.string(), scope: z.array(z.string()) })
/** Who can be booked on a day (ISO), and what each may do on it. */
export const practitionersOn = (db: Db, salonId: string, date: string) =>
  many(
    db,
    Scoped,
    `SELECT id, name, scope_on(salon_id, id, $2::date) AS scope
      FROM practitioner
      WHERE salon_id = $1
        AND (left_on IS NULL OR left_on > $2::date)
      ORDER BY name`,
    [salonId, date],
  )

interface Seat {
  readonly startsAt: Date
  readonly slotMinutes: number
  readonly turnoverMinutes: number
  readonly roomId: string
  readonly practitionerId: string
}
/** Puts a visit elsewhere: another time, room, person or length. Clashes are refused by the same constraints as when it was booked. */
export async function moveVisit(db: Db, id: string, seat: Seat) {
  await execute(db, 'DELETE FROM practitioner_booking WHERE visit_id = $1', [id])
  await execute(
    db,
    `UPDATE visit
      SET
        starts_at = $2,
        ends_at = $2::timestamptz + make_interval(mins => $3::int),
        room_until = $2::timestamptz + make_interval(mins => $3::int + $4::int),
        room_id = $5,
        practitioner_id = $6,
        moved_times = moved_times + 1
      WHERE id = $1`,
    [id, seat.startsAt, seat.slotMinutes, seat.turnoverMinutes, seat.roomId, seat.practitionerId],
  )
  await execute(
    db,
    `INSERT INTO practitioner_booking (visit_id, practitioner_id, starts_at, ends_at)
      SELECT id, practitioner_id, starts_at, ends_at
      FROM visit
      WHERE id = $1`,
    [id],
  )
}

/** Calls a visit off: its room and its people are free, it stays in the record with the reason. */
export async function callOffVisit(
  db: Db,
  id: string,
  { reason, noShow, by }: { reason: string; noShow: boolean; by: string },
) {
  await execute(db, 'DELETE FROM practitioner_booking WHERE visit_id = $1', [id])
  await execute(
    db,
    `UPDATE visit
      SET
        stage = 'called-off',
        called_off_at = now(),
        called_off_by = $2,
        called_off_reason = $3,
        no_show = $4
      WHERE id = $1`,
    [id, by, reason, noShow],
  )
}

/** The times of day of instants on the salon's clock, in their order. */
export const clocksOf = async (
  db: Db,
  salonId: string,
  instants: readonly Date[],
): Promise<string[]> =>
  (
    await many(
      db,
      z.object({ time: z.string() }),
      `SELECT to_char(i.at AT TIME ZONE s.time_zone, 'HH24:MI') AS time
        FROM salon s, unnest($2::timestamptz[]) WITH ORDINALITY AS i (at, n)
        WHERE s.id = $1
        ORDER BY i.n`,
      [salonId, instants],
    )
  ).map(({ time }) => time)

/** How often a visit was moved. */
export const movedTimes = async (db: Db, id: string): Promise<number> =>
  (await maybeOne(
    db,
    z.object({ n: z.number() }),
    'SELECT moved_times AS n FROM visit WHERE id = $1',
    [id],
  ))!.n
