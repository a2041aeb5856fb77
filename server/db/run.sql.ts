import { z } from 'zod'
import { PlacedSegment } from '#core/adapt/model'
import { PHASES } from '#core/protocol'
import type { Planned } from '#core/risk'
import { RunEvent } from '#core/perform/model'
import { execute, many, type Db } from './rows'

const EventRow = z.object({
  id: z.string(),
  deviceId: z.string(),
  seq: z.number(),
  wallMs: z.coerce.number(),
  elapsedMs: z.number(),
  body: RunEvent.shape.body,
})

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

/** Appends events of a run; one already there (by id) is left as it is. Gives the events that are new. */
export async function addEvents(
  db: Db,
  visitId: string,
  events: readonly RunEvent[],
  accountId: string | null,
): Promise<RunEvent[]> {
  const fresh: RunEvent[] = []
  for (const event of events) {
    const added = await execute(
      db,
      `INSERT INTO run_event (id, visit_id, device_id, seq, wall_ms, elapsed_ms, body, received_by)
        VALUES ($1, $2, $3, $4, $5, $6, $7, $8)
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
