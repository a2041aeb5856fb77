import { z } from 'zod'
import { PlacedSegment } from '#core/adapt/model'
import { PHASES } from '#core/protocol'
import type { Planned } from '#core/risk'
import { RunEvent } from '#core/perform/model'
import { idTaken, many, type Db } from './rows'

const EventRow = z.object({
  id: z.string(),
  deviceId: z.string(),
  seq: z.number(),
  wallMs: z.coerce.number(),
  elapsedMs: z.number(),
  body: RunEvent.shape.body,
  clockSaidMs: z.coerce
    .number()
    .nullable()
    .transform((saidMs) => saidMs ?? undefined),
})

const Id = z.object({ id: z.string() })

export const listEvents = (db: Db, visitId: string) =>
  many(
    db,
    EventRow,
    `SELECT *
      FROM run_event_detail
      WHERE "visitId" = $1
      ORDER BY "wallMs", "deviceId", seq`,
    [visitId],
  )

/**
 * Appends events of a run in one statement and in the order of their ids, so that two tablets never wait for each other in a ring. One that is
 * there already is left as it is; an id that names an event of another visit is refused. Gives the events that are new.
 */
export async function addEvents(
  db: Db,
  visitId: string,
  events: readonly RunEvent[],
  accountId: string | null,
): Promise<RunEvent[]> {
  const added = await many(
    db,
    Id,
    `INSERT INTO run_event (
          id, visit_id, device_id, seq, wall_ms, elapsed_ms, body, received_by, clock_said_ms
        )
      SELECT
        e.id, $1, e."deviceId", e.seq, e."wallMs", e."elapsedMs", e.body, $3, e."clockSaidMs"
      FROM jsonb_to_recordset($2) AS e (
          id uuid,
          "deviceId" text,
          seq int,
          "wallMs" bigint,
          "elapsedMs" double precision,
          body jsonb,
          "clockSaidMs" bigint
        )
      ORDER BY e.id
      ON CONFLICT (id) DO NOTHING
      RETURNING id`,
    [visitId, JSON.stringify(events), accountId],
  )
  const fresh = new Set(added.map(({ id }) => id))
  const before = events.filter(({ id }) => !fresh.has(id))
  const known = await many(
    db,
    Id,
    'SELECT id FROM run_event WHERE visit_id = $1 AND id = ANY ($2)',
    [visitId, before.map(({ id }) => id)],
  )
  const own = new Set(known.map(({ id }) => id))
  const strange = before.find(({ id }) => !own.has(id))
  if (strange) throw idTaken(`events.${events.indexOf(strange)}.id`)
  return events.filter(
    ({ id }, at) => fresh.has(id) && events.findIndex((other) => other.id === id) === at,
  )
}

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
    `SELECT v.id AS visit_id, p.plan
      FROM visit v
        CROSS JOIN LATERAL (
          SELECT
            jsonb_build_object(
              'steps',
              (
                SELECT jsonb_agg(jsonb_build_object('id', step -> 'id', 'phase', step -> 'phase'))
                FROM jsonb_array_elements(plan -> 'steps') AS step
              ),
              'segments',
              plan -> 'segments'
            ) AS plan
          FROM fitted_plan
          WHERE visit_id = v.id
          ORDER BY revision DESC
          LIMIT 1
        ) p
      WHERE v.practitioner_id = $1
        AND v.stage = 'closed'
      ORDER BY v.starts_at DESC
      LIMIT $2`,
    [practitionerId, most],
  )
  const events = await many(
    db,
    EventRow.extend({ visitId: z.string() }),
    `SELECT *
      FROM run_event_detail
      WHERE "visitId" = ANY ($1)
      ORDER BY "wallMs", "deviceId", seq`,
    [rows.map((row) => row.visit_id)],
  )
  return rows.map((row) => ({
    plan: row.plan,
    events: events
      .filter((event) => event.visitId === row.visit_id)
      .map(({ visitId: _visit, ...event }) => event),
  }))
}
