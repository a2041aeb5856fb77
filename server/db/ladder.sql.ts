import { z } from 'zod'
import { Suggestion } from '#core/adapt/model'
import { LeverUse } from '#core/climb/model'
import { Finding, Lesion } from '#core/skin/model'
import { asTold, TOLD, ToldRow } from './outcome.sql'
import { many, type Db } from './rows'

const RungRow = ToldRow.extend({
  id: z.string(),
  on: z.string(),
  startsAt: z.date(),
  protocol: z.string(),
  practitioner: z.string(),
  stage: z.string(),
  isSigned: z.boolean(),
  plannedS: z.number().nullable(),
  actualS: z.number().nullable(),
  note: z.string().nullable(),
  nextNote: z.string().nullable(),
  levers: z.array(LeverUse).nullable(),
  suggestions: z.array(Suggestion).nullable(),
  findings: z.array(Finding).nullable(),
  lesions: z.array(Lesion).nullable(),
  light: z.string().nullable(),
})

/** Years of weekly visits: more are not drawn. */
const MOST_RUNGS = 600

/**
 * Every visit of a client as a rung of the long ladder, the oldest first, those to come among them: how high each lever was, what the climb
 * said of it, what was read, what was told. Visits that were called off are none.
 */
export async function rungsOf(db: Db, clientId: string) {
  const rows = await many(
    db,
    RungRow,
    `SELECT
        v.id,
        to_char(v.starts_at AT TIME ZONE s.time_zone, 'YYYY-MM-DD') AS "on",
        v.starts_at AS "startsAt",
        pv.name AS protocol,
        p.name AS practitioner,
        v.stage,
        o.visit_id IS NOT NULL AS "isSigned",
        o.planned_s AS "plannedS",
        o.actual_s AS "actualS",
        o.note,
        o.next_note AS "nextNote",
        o.levers,
        ${TOLD},
        (
          SELECT f.plan -> 'suggestions'
          FROM fitted_plan f
          WHERE f.visit_id = v.id
          ORDER BY f.revision DESC
          LIMIT 1
        ) AS suggestions,
        r.body -> 'findings' AS findings,
        r.body -> 'lesions' AS lesions,
        r.body ->> 'light' AS light
      FROM visit v
        JOIN salon s ON s.id = v.salon_id
        JOIN practitioner p ON p.id = v.practitioner_id
        JOIN protocol_version pv ON pv.salon_id = v.salon_id AND pv.id = v.protocol_version_id
        LEFT JOIN outcome o ON o.visit_id = v.id
        LEFT JOIN LATERAL (
          SELECT body
          FROM reading
          WHERE visit_id = v.id
            AND (body ->> 'done')::boolean
          ORDER BY read_at DESC
          LIMIT 1
        ) r ON true
      WHERE v.client_id = $1
        AND v.stage <> 'called-off'
        AND NOT v.no_show
      ORDER BY v.starts_at DESC, v.id
      LIMIT ${MOST_RUNGS}`,
    [clientId],
  )
  return rows.map(asTold).reverse()
}
