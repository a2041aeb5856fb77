import { z } from 'zod'
import { LevelUse, LeverUse, type PastVisit } from '#core/climb/model'
import { PROPERTIES } from '#core/protocol'
import { Finding } from '#core/skin/model'
import { asTold, TOLD, ToldRow } from './outcome.sql'
import { many, type Db } from './rows'

const PastRow = ToldRow.extend({
  on: z.string(),
  protocolId: z.string(),
  levers: z.array(LeverUse),
  findings: z.array(Finding).nullable(),
  work: z.array(z.enum(PROPERTIES)),
  points: z.number().nullable(),
  levels: z.array(LevelUse).nullable(),
})

const HISTORY = `SELECT
        to_char(v.starts_at AT TIME ZONE $3, 'YYYY-MM-DD') AS "on",
        pv.protocol_id AS "protocolId",
        o.levers,
        ${TOLD},
        (
          SELECT r.body -> 'findings'
          FROM reading r
          WHERE r.visit_id = v.id
            AND (r.body ->> 'done')::boolean
          ORDER BY r.read_at DESC
          LIMIT 1
        ) AS findings,
        o.work,
        o.points,
        (
          SELECT jsonb_agg(e.body - 'type' - 'stepId' ORDER BY e.wall_ms, e.device_id, e.seq)
          FROM run_event e
          WHERE e.visit_id = v.id
            AND e.body ->> 'type' = 'set'
            AND NOT EXISTS (
              SELECT
              FROM run_event r
              WHERE r.visit_id = v.id
                AND r.body ->> 'type' = 'retract'
                AND r.body ->> 'eventId' = e.id::text
            )
        ) AS levels
      FROM visit v
        JOIN outcome o ON o.visit_id = v.id
        JOIN protocol_version pv ON pv.salon_id = v.salon_id AND pv.id = v.protocol_version_id
      WHERE v.client_id = $1
        AND v.starts_at < $2
      ORDER BY v.starts_at`

/**
 * Closed visits of a client before a day, oldest first: levers used, what the skin showed on leaving and answered a day or more
 * after, its findings, and what was worked with.
 */
export async function loadHistory(
  db: Db,
  clientId: string,
  before: Date,
  timeZone: string,
): Promise<PastVisit[]> {
  const rows = await many(db, PastRow, HISTORY, [clientId, before, timeZone])
  return rows.map(asTold).map(({ leaving, findings, work, points, levels, ...row }) => ({
    ...row,
    ...(leaving ? { leaving } : {}),
    work,
    ...(levels ? { levels } : {}),
    ...(findings ? { findings } : {}),
    ...(points === null ? {} : { points }),
  }))
}
