import { z } from 'zod'
import { Override } from '#core/formats'
import { FittedPlan, PlacedSegment, Prep, Reservation, SlotWish } from '#core/adapt/model'
import { PHASES } from '#core/protocol'
import type { Planned } from '#core/risk'
import {
  LeverUse,
  SkinAnswer,
  type LeverUse as Lever,
  type SkinAnswer as Answer,
} from '#core/climb/model'
import { NOTHING_READ, Reading } from '#core/skin/model'
import { RunEvent } from '#core/perform/model'
import { TECHNIQUES } from '#core/safety'
import { change, many, maybeOne, type Db } from './rows'

const STAGES = ['booked', 'open', 'performing', 'closed'] as const
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

const SELECT_VISIT = `SELECT
    v.id,
    v.salon_id,
    v.client_id,
    c.name AS client_name,
    v.room_id,
    r.name AS room_name,
    v.practitioner_id,
    p.name AS practitioner_name,
    p.scope,
    p.hazards,
    v.walk_in,
    v.protocol_version_id,
    pv.name AS protocol_name,
    v.starts_at,
    v.ends_at,
    v.room_until,
    v.stage,
    v.locked_at,
    s.time_zone,
    v.fit,
    v.prep
  FROM
    visit v
    JOIN client c ON c.id = v.client_id
    JOIN room r ON r.id = v.room_id
    JOIN practitioner p ON p.id = v.practitioner_id
    JOIN protocol_version pv ON pv.id = v.protocol_version_id
    JOIN salon s ON s.id = v.salon_id`

export const visitById = (db: Db, salonId: string, id: string) =>
  maybeOne(db, Visit, `${SELECT_VISIT} WHERE v.salon_id = $1 AND v.id = $2`, [salonId, id])

/** Visits of one day in the salon's own time zone, in order of time and room. */
export const visitsOn = (db: Db, salonId: string, date: string) =>
  many(
    db,
    Visit,
    `${SELECT_VISIT}
      WHERE
        v.salon_id = $1
        AND v.starts_at >= ($2::date)::timestamp AT TIME ZONE s.time_zone
        AND v.starts_at < ($2::date + 1)::timestamp AT TIME ZONE s.time_zone
      ORDER BY
        v.starts_at,
        r.name`,
    [salonId, date],
  )

/** The first visit of the same client after this one, or undefined. */
export const nextVisitOf = (db: Db, visit: VisitRow) =>
  maybeOne(
    db,
    Visit,
    `${SELECT_VISIT}
      WHERE
        v.client_id = $1
        AND v.starts_at > $2
        AND v.stage <> 'closed'
      ORDER BY
        v.starts_at
      LIMIT
        1`,
    [visit.client_id, visit.starts_at],
  )

/** The practitioner's next visit on the same day, or undefined: when the room must be free again. */
export const followingVisit = (db: Db, visit: VisitRow) =>
  maybeOne(
    db,
    Visit,
    `${SELECT_VISIT}
      WHERE
        v.practitioner_id = $1
        AND v.starts_at > $2
        AND v.starts_at < $2::timestamptz + interval '12 hours'
      ORDER BY
        v.starts_at
      LIMIT
        1`,
    [visit.practitioner_id, visit.starts_at],
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
}

/** Books room and practitioner; a clash violates an exclusion constraint (`visit_room_free`, `practitioner_free`). Needs a transaction. */
export async function bookVisit(db: Db, booking: Booking) {
  await change(
    db,
    `INSERT INTO
        visit (
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
  await change(
    db,
    `INSERT INTO
        practitioner_booking (visit_id, practitioner_id, starts_at, ends_at)
      SELECT
        id,
        practitioner_id,
        starts_at,
        ends_at
      FROM
        visit
      WHERE
        id = $1`,
    [booking.id],
  )
}

/** How a visit is to be fitted to its slot, from now on. */
export const setFit = (db: Db, id: string, fit: SlotWish) =>
  change(db, 'UPDATE visit SET fit = $2 WHERE id = $1 AND locked_at IS NULL', [
    id,
    JSON.stringify(fit),
  ])

/** What is decided while the tray is laid. */
export const setPrep = (db: Db, id: string, prep: Prep) =>
  change(db, 'UPDATE visit SET prep = $2 WHERE id = $1 AND locked_at IS NULL', [
    id,
    JSON.stringify(prep),
  ])

/** When other fitted visits that meet this one use a device, in seconds from its start: what was fitted first has it. */
export const reservedDevices = (db: Db, visit: VisitRow) =>
  many(
    db,
    Reservation,
    `SELECT
        step ->> 'deviceId' AS "deviceId",
        (offset_s + (part ->> 'startS')::int)::int AS "fromS",
        (offset_s + (part ->> 'endS')::int)::int AS "toS"
      FROM
        (
          SELECT DISTINCT
            ON (o.id) fp.plan,
            extract(
              epoch
              FROM
                o.starts_at - $2::timestamptz
            )::int AS offset_s
          FROM
            visit o
            JOIN fitted_plan fp ON fp.visit_id = o.id
          WHERE
            o.salon_id = $1
            AND o.id <> $4
            AND o.room_id <> $5
            AND o.stage IN ('open', 'performing')
            AND tstzrange (o.starts_at, o.ends_at) && tstzrange ($2, $3)
          ORDER BY
            o.id,
            fp.revision DESC
        ) other,
        jsonb_array_elements(other.plan -> 'segments') part
        JOIN LATERAL jsonb_array_elements(other.plan -> 'steps') step ON step ->> 'id' = part ->> 'stepId'
      WHERE
        step ->> 'deviceId' IS NOT NULL
        AND part ->> 'kind' <> 'prepare'
      ORDER BY
        2`,
    [visit.salon_id, visit.starts_at, visit.ends_at, visit.id, visit.room_id],
  )

export const setStage = (db: Db, id: string, stage: Stage) =>
  change(
    db,
    `UPDATE visit
    SET
      stage = $2
    WHERE
      id = $1
      AND stage <> $2
      AND locked_at IS NULL`,
    [id, stage],
  )

export async function latestReading(db: Db, visitId: string): Promise<Reading> {
  const row = await maybeOne(
    db,
    z.object({ body: Reading }),
    `SELECT
        body
      FROM
        reading
      WHERE
        visit_id = $1
      ORDER BY
        read_at DESC,
        id DESC
      LIMIT
        1`,
    [visitId],
  )
  return row?.body ?? NOTHING_READ
}
const Closed = z.object({ id: z.string(), on: z.string(), answer: SkinAnswer.nullable() })
/** The client's last signed visit before this one, with what the skin answered so far, or undefined. */
export const visitBefore = (db: Db, visit: VisitRow) =>
  maybeOne(
    db,
    Closed,
    `SELECT
        v.id,
        to_char(v.starts_at AT TIME ZONE $3, 'YYYY-MM-DD') AS "on",
        COALESCE(
          (
            SELECT
              c.answer
            FROM
              check_in c
            WHERE
              c.visit_id = v.id
            ORDER BY
              c.recorded_at DESC
            LIMIT
              1
          ),
          o.answer
        ) AS answer
      FROM
        visit v
        JOIN outcome o ON o.visit_id = v.id
      WHERE
        v.client_id = $1
        AND v.starts_at < $2
      ORDER BY
        v.starts_at DESC
      LIMIT
        1`,
    [visit.client_id, visit.starts_at, visit.time_zone],
  )
const ReadBefore = z.object({ on: z.string(), body: Reading })
/** The last reading of a client before a visit, with its day, or undefined: laid under today's map. */
export const readingBefore = (db: Db, visit: VisitRow) =>
  maybeOne(
    db,
    ReadBefore,
    `SELECT
        to_char(v.starts_at AT TIME ZONE $3, 'YYYY-MM-DD') AS "on",
        r.body
      FROM
        reading r
        JOIN visit v ON v.id = r.visit_id
      WHERE
        v.client_id = $1
        AND v.starts_at < $2
        AND (r.body ->> 'done')::boolean
      ORDER BY
        v.starts_at DESC,
        r.read_at DESC
      LIMIT
        1`,
    [visit.client_id, visit.starts_at, visit.time_zone],
  )
export const addReading = (
  db: Db,
  id: string,
  visitId: string,
  reading: Reading,
  accountId: string | null,
) =>
  change(
    db,
    `INSERT INTO
        reading (id, visit_id, body, read_by)
      VALUES
        ($1, $2, $3, $4)
      ON CONFLICT (id) DO NOTHING`,
    [id, visitId, reading, accountId],
  )

export const listOverrides = (db: Db, visitId: string) =>
  many(
    db,
    Override,
    `SELECT
        rule_id AS "ruleId",
        step_id AS "stepId",
        reason,
        by_name AS "by",
        to_char(at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') AS at
      FROM
        visit_override
      WHERE
        visit_id = $1
        AND withdrawn_at IS NULL
      ORDER BY
        at,
        id`,
    [visitId],
  )
export const addOverride = (
  db: Db,
  id: string,
  visitId: string,
  o: { ruleId: string; stepId: string; reason: string },
  by: string,
) =>
  change(
    db,
    `INSERT INTO
        visit_override (id, visit_id, rule_id, step_id, reason, by_name)
      VALUES
        ($1, $2, $3, $4, $5, $6)`,
    [id, visitId, o.ruleId, o.stepId, o.reason, by],
  )
export const withdrawOverride = (db: Db, visitId: string, ruleId: string, stepId: string) =>
  change(
    db,
    `UPDATE visit_override
      SET
        withdrawn_at = now()
      WHERE
        visit_id = $1
        AND rule_id = $2
        AND step_id = $3
        AND withdrawn_at IS NULL`,
    [visitId, ruleId, stepId],
  )

const PlanRow = z.object({
  id: z.string(),
  revision: z.number(),
  plan: FittedPlan,
  fitted_at: z.date(),
})
export const latestPlan = (db: Db, visitId: string) =>
  maybeOne(
    db,
    PlanRow,
    `SELECT
        id,
        revision,
        plan,
        fitted_at
      FROM
        fitted_plan
      WHERE
        visit_id = $1
      ORDER BY
        revision DESC
      LIMIT
        1`,
    [visitId],
  )
/** Stores a plan as the visit's next revision. Two at once: the second violates the unique key. */
export const addPlan = (
  db: Db,
  id: string,
  visitId: string,
  plan: FittedPlan,
  accountId: string | null,
) =>
  change(
    db,
    `INSERT INTO
        fitted_plan (id, visit_id, revision, engine, rule_book, plan, fitted_by)
      SELECT
        $1,
        $2,
        COALESCE(max(revision), 0) + 1,
        $3,
        $4,
        $5,
        $6
      FROM
        fitted_plan
      WHERE
        visit_id = $2`,
    [id, visitId, plan.engine, plan.ruleBook, plan, accountId],
  )

export const listTicks = async (db: Db, visitId: string) =>
  (
    await many(
      db,
      z.object({ item_id: z.string() }),
      'SELECT item_id FROM tray_tick WHERE visit_id = $1 ORDER BY at',
      [visitId],
    )
  ).map((row) => row.item_id)
export const setTick = (db: Db, visitId: string, itemId: string, ticked: boolean) =>
  ticked
    ? change(
        db,
        `INSERT INTO
            tray_tick (visit_id, item_id)
          VALUES
            ($1, $2)
          ON CONFLICT DO NOTHING`,
        [visitId, itemId],
      )
    : change(db, 'DELETE FROM tray_tick WHERE visit_id = $1 AND item_id = $2', [visitId, itemId])

const EventRow = z.object({
  id: z.string(),
  deviceId: z.string(),
  seq: z.number(),
  wallMs: z.coerce.number(),
  elapsedMs: z.number(),
  body: RunEvent.shape.body,
})
const EVENT_COLUMNS =
  'id, device_id AS "deviceId", seq, wall_ms AS "wallMs", elapsed_ms AS "elapsedMs", body'
export const listEvents = (db: Db, visitId: string) =>
  many(
    db,
    EventRow,
    `SELECT
        ${EVENT_COLUMNS}
      FROM
        run_event
      WHERE
        visit_id = $1
      ORDER BY
        wall_ms,
        device_id,
        seq`,
    [visitId],
  )
/** Appends events of a run; one already there (by id) is left as it is. Gives the events that are new. */
export async function addEvents(
  db: Db,
  visitId: string,
  events: readonly RunEvent[],
  accountId: string | null,
): Promise<RunEvent[]> {
  const fresh: RunEvent[] = []
  for (const event of events) {
    const added = await change(
      db,
      `INSERT INTO
          run_event (id, visit_id, device_id, seq, wall_ms, elapsed_ms, body, received_by)
        VALUES
          ($1, $2, $3, $4, $5, $6, $7, $8)
        ON CONFLICT (id) DO NOTHING`,
      [
        event.id,
        visitId,
        event.deviceId,
        event.seq,
        event.wallMs,
        event.elapsedMs,
        event.body,
        accountId,
      ],
    )
    if (added === 1) fresh.push(event)
  }
  return fresh
}

const OutcomeRow = z.object({
  answer: SkinAnswer.nullable(),
  levers: z.array(LeverUse),
  note: z.string(),
  planned_s: z.number(),
  actual_s: z.number().nullable(),
  signed_at: z.date(),
  signed_name: z.string(),
})
export const outcomeOf = (db: Db, visitId: string) =>
  maybeOne(
    db,
    OutcomeRow,
    `SELECT
        answer,
        levers,
        note,
        planned_s,
        actual_s,
        signed_at,
        signed_name
      FROM
        outcome
      WHERE
        visit_id = $1`,
    [visitId],
  )
export interface Outcome {
  answer: Answer | null
  levers: readonly Lever[]
  note: string
  plannedS: number
  actualS: number | null
}

/** Writes the outcome and locks the visit. Needs a transaction; gives false when it was locked already. */
export async function signVisit(
  db: Db,
  visitId: string,
  outcome: Outcome,
  accountId: string | null,
  name: string,
): Promise<boolean> {
  const locked = await change(
    db,
    `UPDATE visit
      SET
        stage = 'closed',
        locked_at = now(),
        locked_by = $2
      WHERE
        id = $1
        AND locked_at IS NULL`,
    [visitId, accountId],
  )
  if (locked === 0) return false
  await change(
    db,
    `INSERT INTO
        outcome (visit_id, answer, levers, note, planned_s, actual_s, signed_by, signed_name)
      VALUES
        ($1, $2, $3, $4, $5, $6, $7, $8)`,
    [
      visitId,
      outcome.answer,
      JSON.stringify(outcome.levers),
      outcome.note,
      outcome.plannedS,
      outcome.actualS,
      accountId,
      name,
    ],
  )
  return true
}

export const addCheckIn = (
  db: Db,
  id: string,
  visitId: string,
  askedOn: string,
  answer: Answer,
  accountId: string | null,
) =>
  change(
    db,
    `INSERT INTO
        check_in (id, visit_id, asked_on, answer, recorded_by)
      VALUES
        ($1, $2, $3, $4, $5)`,
    [id, visitId, askedOn, answer, accountId],
  )

const RunRow = z.object({
  visit_id: z.string(),
  plan: z.object({
    steps: z.array(z.object({ id: z.string(), phase: z.enum(PHASES) })),
    segments: z.array(PlacedSegment),
  }),
})
/** The newest signed visits of a practitioner as they were planned and as they went. */
export async function runsOf(
  db: Db,
  practitionerId: string,
  most: number,
): Promise<{ plan: Planned; events: RunEvent[] }[]> {
  const rows = await many(
    db,
    RunRow,
    `SELECT
        v.id AS visit_id,
        p.plan
      FROM
        visit v
        CROSS JOIN LATERAL (
          SELECT
            jsonb_build_object(
              'steps',
              (
                SELECT
                  jsonb_agg(jsonb_build_object('id', step -> 'id', 'phase', step -> 'phase'))
                FROM
                  jsonb_array_elements(plan -> 'steps') AS step
              ),
              'segments',
              plan -> 'segments'
            ) AS plan
          FROM
            fitted_plan
          WHERE
            visit_id = v.id
          ORDER BY
            revision DESC
          LIMIT
            1
        ) p
      WHERE
        v.practitioner_id = $1
        AND v.stage = 'closed'
      ORDER BY
        v.starts_at DESC
      LIMIT
        $2`,
    [practitionerId, most],
  )
  const events = await many(
    db,
    EventRow.extend({ visitId: z.string() }),
    `SELECT
        visit_id AS "visitId",
        ${EVENT_COLUMNS}
      FROM
        run_event
      WHERE
        visit_id = ANY ($1)
      ORDER BY
        wall_ms,
        device_id,
        seq`,
    [rows.map((row) => row.visit_id)],
  )
  return rows.map((row) => ({
    plan: row.plan,
    events: events
      .filter((event) => event.visitId === row.visit_id)
      .map(({ visitId: _visit, ...event }) => event),
  }))
}
