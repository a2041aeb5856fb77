import { z } from 'zod'
import { HomePlan, HomeTold } from '#core/homecare/model'
import { addOnce, maybeOne, type Db } from './rows'
import type { VisitRow } from './visit.sql'

const ToldRow = z.object({
  visitId: z.string(),
  on: z.string(),
  told: HomeTold,
})
const PlanRow = z.object({ visitId: z.string(), on: z.string(), plan: HomePlan })

/** Of a client's home care as a visit sees it: what was told last, up to it; the plan of the visits before it; and its own. */
export async function homeOf(db: Db, visit: VisitRow) {
  const args = [visit.client_id, visit.starts_at, visit.time_zone, visit.id]
  const told = await maybeOne(
    db,
    ToldRow,
    `SELECT
        v.id AS "visitId",
        to_char(v.starts_at AT TIME ZONE $3, 'YYYY-MM-DD') AS "on",
        jsonb_build_object('uses', h.uses, 'kept', h.kept_to, 'why', h.kept_why) AS told
      FROM home_told h
        JOIN visit v ON v.id = h.visit_id
      WHERE h.client_id = $1
        AND (v.starts_at < $2 OR v.id = $4)
      ORDER BY v.starts_at DESC, h.told_at DESC
      LIMIT 1`,
    args,
  )
  const before = await maybeOne(
    db,
    PlanRow,
    `SELECT
        v.id AS "visitId",
        to_char(v.starts_at AT TIME ZONE $3, 'YYYY-MM-DD') AS "on",
        h.plan
      FROM home_plan h
        JOIN visit v ON v.id = h.visit_id
      WHERE h.client_id = $1
        AND v.starts_at < $2
        AND v.id <> $4
      ORDER BY v.starts_at DESC, h.given_at DESC
      LIMIT 1`,
    args,
  )
  const given = await maybeOne(
    db,
    z.object({ plan: HomePlan }),
    'SELECT plan FROM home_plan WHERE visit_id = $1 ORDER BY given_at DESC LIMIT 1',
    [visit.id],
  )
  return { told: told ?? null, before: before ?? null, given: given?.plan ?? null }
}

/** What a client tells of home care at a visit; told twice under one id it is told once. */
export const addHomeTold = (
  db: Db,
  id: string,
  visit: VisitRow,
  { uses, kept, why }: HomeTold,
  accountId: string,
) =>
  addOnce(
    db,
    [
      `INSERT INTO home_told (id, client_id, visit_id, uses, kept_to, kept_why, told_by)
        VALUES ($1, $2, $3, $4, $5, $6, $7)
        ON CONFLICT (id) DO NOTHING`,
      [id, visit.client_id, visit.id, JSON.stringify(uses), kept, why, accountId],
    ],
    ['SELECT FROM home_told WHERE id = $1 AND visit_id = $2', [id, visit.id]],
  )

/** A plan for home as it was given: one more version. */
export const addHomePlan = (
  db: Db,
  id: string,
  visit: VisitRow,
  plan: HomePlan,
  accountId: string,
) =>
  addOnce(
    db,
    [
      `INSERT INTO home_plan (id, client_id, visit_id, plan, given_by)
        VALUES ($1, $2, $3, $4, $5)
        ON CONFLICT (id) DO NOTHING`,
      [id, visit.client_id, visit.id, JSON.stringify(plan), accountId],
    ],
    ['SELECT FROM home_plan WHERE id = $1 AND visit_id = $2', [id, visit.id]],
  )
