import { z } from 'zod'
import { PlacedSegment } from '#core/adapt/model'
import { LeavingSkin, LeverUse } from '#core/climb/model'
import { MOST_TRIES, SECOND_CALL_DAYS } from '#core/board'
import { PROPERTIES } from '#core/protocol'
import { Step } from '#core/protocol/model'
import { many, type Db } from './rows'

// What a day's board shows beside its visits.

const Ladder = z.object({
  visitId: z.string(),
  /** The ladder that was fitted last; null: none was. */
  segments: z.array(PlacedSegment).nullable(),
  totalS: z.number().nullable(),
  devices: z.record(z.string(), z.string()),
  steps: z.array(Step),
})
/** The ladders of visits: as fitted where that may be seen, else as written. `devices`: by step. */
export const laddersOf = (db: Db, visitIds: readonly string[], mayRead: boolean) =>
  many(
    db,
    Ladder,
    `SELECT
        v.id AS "visitId",
        fp.plan -> 'segments' AS segments,
        (fp.plan ->> 'totalS')::int AS "totalS",
        COALESCE(
          (
            SELECT jsonb_object_agg(step ->> 'id', step ->> 'deviceId')
            FROM jsonb_array_elements(fp.plan -> 'steps') AS step
            WHERE step ->> 'deviceId' IS NOT NULL
          ),
          '{}'
        ) AS devices,
        CASE WHEN fp.plan IS NULL THEN pv.steps ELSE '[]' END AS steps
      FROM visit v
        JOIN protocol_version pv ON pv.salon_id = v.salon_id AND pv.id = v.protocol_version_id
        LEFT JOIN LATERAL (
          SELECT plan
          FROM fitted_plan
          WHERE visit_id = v.id
          ORDER BY revision DESC
          LIMIT 1
        ) fp ON $2::boolean
      WHERE v.id = ANY ($1)`,
    [visitIds, mayRead],
  )

const Test = z.object({ clientId: z.string(), name: z.string(), placedOn: z.string() })
/** Delayed patch tests that can be read on a day (ISO): placed one to four days before. */
export const testsToRead = (db: Db, salonId: string, today: string) =>
  many(
    db,
    Test,
    `SELECT DISTINCT ON (p.client_id) p.client_id AS "clientId", c.name, to_char(p.placed_on, 'YYYY-MM-DD') AS "placedOn"
      FROM patch_test p
        JOIN client c ON c.id = p.client_id
      WHERE p.salon_id = $1
        AND p.kind = 'delayed'
        AND p.result = 'waiting'
        AND p.placed_on BETWEEN $2::date - 4 AND $2::date - 1
        AND c.restricted_at IS NULL
      ORDER BY p.client_id, p.placed_on`,
    [salonId, today],
  )

const Left = z.object({
  visitId: z.string(),
  name: z.string(),
  on: z.string(),
  levers: z.array(LeverUse),
  leaving: LeavingSkin.nullable(),
  feltMore: z.boolean(),
  daysAgo: z.number(),
  work: z.array(z.enum(PROPERTIES)),
})
const LEFT_VISITS = `WITH left_visit AS (
    SELECT
      v.*,
      s.time_zone,
      (v.starts_at AT TIME ZONE s.time_zone)::date AS day,
      $2::date - (v.starts_at AT TIME ZONE s.time_zone)::date AS days_ago
    FROM visit v
      JOIN salon s ON s.id = v.salon_id
    WHERE v.salon_id = $1
      AND v.stage = 'closed'
      AND v.starts_at >= ($2::date - ${SECOND_CALL_DAYS + 2})::timestamp AT TIME ZONE s.time_zone
      AND v.starts_at < ($2::date)::timestamp AT TIME ZONE s.time_zone
  )
  SELECT
    v.id AS "visitId",
    c.name,
    to_char(v.day, 'YYYY-MM-DD') AS "on",
    v.days_ago AS "daysAgo",
    o.levers,
    o.leaving,
    o.work,
    EXISTS (
      SELECT
      FROM run_event e
      WHERE e.visit_id = v.id
        AND e.body ->> 'type' = 'sensation'
        AND (e.body ? 'beyond' OR e.body ? 'strong')
        AND NOT EXISTS (
          SELECT
          FROM run_event r
          WHERE r.visit_id = v.id
            AND r.body ->> 'type' = 'retract'
            AND r.body ->> 'eventId' = e.id::text
        )
    ) AS "feltMore"
  FROM left_visit v
    JOIN client c ON c.id = v.client_id
    JOIN outcome o ON o.visit_id = v.id
    CROSS JOIN LATERAL (
      SELECT
        count(*) FILTER (WHERE k.answer IS NOT NULL) AS told,
        count(*) FILTER (WHERE k.answer IS NULL) AS tries,
        COALESCE(bool_or(k.answer IS NULL AND k.asked_on = $2::date), false) AS tried_today
      FROM check_in k
      WHERE k.visit_id = v.id
        AND k.asked_on > v.day + CASE WHEN v.days_ago >= ${SECOND_CALL_DAYS} THEN ${SECOND_CALL_DAYS - 2} ELSE 0 END
    ) heard
  WHERE (v.days_ago <= 3 OR v.days_ago >= ${SECOND_CALL_DAYS})
    AND c.restricted_at IS NULL
    AND heard.told = 0
    AND heard.tries < ${MOST_TRIES}
    AND NOT heard.tried_today
  ORDER BY v.starts_at`
/**
 * Signed visits of one to three days ago, and of a week, of which nobody has told since, with what says whether somebody is called. Who was asked for
 * today, or three times, is not asked for again.
 */
export const unheardVisits = (db: Db, salonId: string, today: string) =>
  many(db, Left, LEFT_VISITS, [salonId, today])

/** Of these visits, those whose client has signed no consent to the treatment, or withdrawn it. */
export const withoutConsent = async (db: Db, visitIds: readonly string[]): Promise<string[]> =>
  (
    await many(
      db,
      z.object({ id: z.string() }),
      `SELECT v.id
        FROM visit v
        WHERE v.id = ANY ($1)
          AND NOT EXISTS (
            SELECT
            FROM consent k
              JOIN consent_text t ON t.salon_id = k.salon_id AND t.id = k.text_id
            WHERE k.client_id = v.client_id
              AND t.kind = 'treatment'
              AND k.withdrawn_on IS NULL
          )`,
      [visitIds],
    )
  ).map(({ id }) => id)

const Doubtful = z.object({ visitId: z.string(), name: z.string() })
/** Somebody's own signatures that wait to be confirmed. */
export const doubtsOf = (db: Db, accountId: string) =>
  many(
    db,
    Doubtful,
    `SELECT d.visit_id AS "visitId", c.name
      FROM signature_doubt d
        JOIN visit v ON v.id = d.visit_id
        JOIN client c ON c.id = v.client_id
      WHERE d.account_id = $1
        AND d.confirmed_at IS NULL
      ORDER BY d.arrived_at`,
    [accountId],
  )
