import { z } from 'zod'
import { Override } from '#core/formats'
import { FittedPlan } from '#core/adapt/model'
import { addOnce, execute, many, maybeOne, type Db } from './rows'

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
      FROM visit_override
      WHERE visit_id = $1
        AND withdrawn_at IS NULL
      ORDER BY at, id`,
    [visitId],
  )

export const addOverride = (
  db: Db,
  id: string,
  visitId: string,
  o: { ruleId: string; stepId: string; reason: string },
  by: string,
) =>
  addOnce(
    db,
    [
      `INSERT INTO visit_override (id, visit_id, rule_id, step_id, reason, by_name)
        VALUES ($1, $2, $3, $4, $5, $6)
        ON CONFLICT (id) DO NOTHING`,
      [id, visitId, o.ruleId, o.stepId, o.reason, by],
    ],
    [
      'SELECT FROM visit_override WHERE id = $1 AND visit_id = $2 AND rule_id = $3 AND step_id = $4',
      [id, visitId, o.ruleId, o.stepId],
    ],
  )

export const withdrawOverride = (db: Db, visitId: string, ruleId: string, stepId: string) =>
  execute(
    db,
    `UPDATE visit_override
      SET withdrawn_at = now()
      WHERE visit_id = $1
        AND rule_id = $2
        AND step_id = $3
        AND withdrawn_at IS NULL`,
    [visitId, ruleId, stepId],
  )

/** Takes back everything that was kept as written: it was said of the steps of another card. */
export const withdrawOverrides = (db: Db, visitId: string) =>
  execute(
    db,
    `UPDATE visit_override
      SET withdrawn_at = now()
      WHERE visit_id = $1
        AND withdrawn_at IS NULL`,
    [visitId],
  )

const PlanRow = z.object({
  id: z.string(),
  revision: z.number(),
  plan: FittedPlan,
  fitted_at: z.date(),
  faults: z.array(z.string()),
})

export const latestPlan = (db: Db, visitId: string) =>
  maybeOne(
    db,
    PlanRow,
    `SELECT id, revision, plan, fitted_at, faults
      FROM fitted_plan
      WHERE visit_id = $1
      ORDER BY revision DESC
      LIMIT 1`,
    [visitId],
  )

/** The newest plan of a visit that no event of its run brought: what the run was opened with. */
export const openedPlan = async (db: Db, visitId: string): Promise<FittedPlan | undefined> =>
  (
    await maybeOne(
      db,
      PlanRow.pick({ plan: true }),
      `SELECT plan
        FROM fitted_plan p
        WHERE visit_id = $1
          AND NOT EXISTS (SELECT FROM run_event e WHERE e.visit_id = $1 AND e.id = p.id)
        ORDER BY revision DESC
        LIMIT 1`,
      [visitId],
    )
  )?.plan

export const planIds = async (db: Db, visitId: string): Promise<string[]> =>
  (
    await many(db, PlanRow.pick({ id: true }), 'SELECT id FROM fitted_plan WHERE visit_id = $1', [
      visitId,
    ])
  ).map(({ id }) => id)

/** What the newest plan of each of these visits is, in a word and in sentences. */
export const verdictsOf = (db: Db, visitIds: readonly string[]) =>
  many(
    db,
    z.object({
      visitId: z.string(),
      status: FittedPlan.shape.status,
      problems: FittedPlan.shape.problems,
    }),
    `SELECT DISTINCT ON (visit_id)
        visit_id AS "visitId",
        plan ->> 'status' AS status,
        plan -> 'problems' AS problems
      FROM fitted_plan
      WHERE visit_id = ANY ($1)
      ORDER BY visit_id, revision DESC`,
    [visitIds],
  )

/** Stores a plan as the visit's next revision. Two at once: the second violates the unique key. `faults`: what does not hold of one that a tablet fitted. */
export const addPlan = (
  db: Db,
  id: string,
  visitId: string,
  plan: FittedPlan,
  accountId: string | null,
  faults: readonly string[] = [],
) =>
  execute(
    db,
    `INSERT INTO fitted_plan (id, visit_id, revision, engine, rule_book, plan, fitted_by, faults)
      SELECT $1, $2, COALESCE(max(revision), 0) + 1, $3, $4, $5, $6, $7
      FROM fitted_plan
      WHERE visit_id = $2`,
    [id, visitId, plan.engine, plan.ruleBook, plan, accountId, faults],
  )

/** The plan as every screen shows it. */
export const shownPlan = ({ id, revision, plan, faults }: z.infer<typeof PlanRow>) => ({
  ...{ id, revision, plan, faults },
})

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
    ? execute(
        db,
        `INSERT INTO tray_tick (visit_id, item_id)
          VALUES ($1, $2)
          ON CONFLICT DO NOTHING`,
        [visitId, itemId],
      )
    : execute(db, 'DELETE FROM tray_tick WHERE visit_id = $1 AND item_id = $2', [visitId, itemId])
