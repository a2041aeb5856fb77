import { z } from 'zod'
import { LeverUse, type PastVisit, SkinAnswer } from '#core/climb/model'
import { PROPERTIES } from '#core/protocol'
import { Finding } from '#core/skin/model'
import { many, type Db } from './rows'

const PastRow = z.object({
  on: z.string(),
  levers: z.array(LeverUse),
  answer: SkinAnswer.nullable(),
  findings: z.array(Finding).nullable(),
  work: z.array(z.enum(PROPERTIES)),
})

/** Properties of performed steps that rules ask for at later visits (rule E01), as far as they stand in a stored step. */
const WORK = ['gommage', 'rf', 'mechanical', 'blade', 'needling']

const HISTORY = `SELECT
        to_char(v.starts_at AT TIME ZONE $3, 'YYYY-MM-DD') AS "on",
        o.levers,
        COALESCE(
          (
            SELECT c.answer
            FROM check_in c
            WHERE c.visit_id = v.id
            ORDER BY c.recorded_at DESC
            LIMIT 1
          ),
          o.answer
        ) AS answer,
        (
          SELECT r.body -> 'findings'
          FROM reading r
          WHERE r.visit_id = v.id
            AND (r.body ->> 'done')::boolean
          ORDER BY r.read_at DESC
          LIMIT 1
        ) AS findings,
        ARRAY(
          SELECT DISTINCT property
          FROM (
              SELECT plan
              FROM fitted_plan f
              WHERE f.visit_id = v.id
              ORDER BY f.revision DESC
              LIMIT 1
            ) AS last,
            jsonb_array_elements(last.plan -> 'steps') AS step,
            jsonb_array_elements_text(
              COALESCE(
                (
                  SELECT
                    body -> 'properties' || COALESCE(
                      (
                        SELECT jsonb_agg(own)
                        FROM jsonb_array_elements(body -> 'recipe' -> 'parts') AS part
                          JOIN product AS of ON of.id = part ->> 'productId',
                          jsonb_array_elements(of.body -> 'properties') AS own
                      ),
                      '[]'
                    )
                  FROM product
                  WHERE id = step -> 'product' ->> 'productId'
                ),
                '[]'
              ) || COALESCE(
                (
                  SELECT body -> 'properties'
                  FROM device
                  WHERE id = step ->> 'deviceId'
                ),
                '[]'
              ) || (step -> 'properties')
            ) AS property
          WHERE property = ANY ($4)
        ) AS work
      FROM visit v
        JOIN outcome o ON o.visit_id = v.id
      WHERE v.client_id = $1
        AND v.starts_at < $2
      ORDER BY v.starts_at`

/**
 * Closed visits of a client before a day, oldest first: levers used, what the skin answered (a later check-in wins over the close),
 * what it showed, and what was worked with.
 */
export async function loadHistory(
  db: Db,
  clientId: string,
  before: Date,
  timeZone: string,
): Promise<PastVisit[]> {
  const rows = await many(db, PastRow, HISTORY, [clientId, before, timeZone, WORK])
  return rows.map(({ findings, work, ...row }) => ({
    ...row,
    work,
    ...(findings ? { findings } : {}),
  }))
}
