import { z } from 'zod'
import type { Known } from '#core/client'
import type { RuleSettings } from '#core/safety'
import { salonById } from './salon.sql'
import { execute, many, maybeOne, type Db } from './rows'

const Setting = z.object({
  rule_id: z.string(),
  advice_off: z.boolean(),
  window_days: z.number().nullable(),
})
/** What the salon has set in the rule book. */
export async function loadRuleSettings(db: Db, salonId: string): Promise<RuleSettings> {
  const rows = await many(
    db,
    Setting,
    `SELECT rule_id, advice_off, window_days
      FROM rule_setting
      WHERE salon_id = $1
      ORDER BY rule_id`,
    [salonId],
  )
  const { minors } = (await salonById(db, salonId))!.choices
  return {
    ...minors,
    adviceOff: rows.filter((row) => row.advice_off).map((row) => row.rule_id),
    windowDays: Object.fromEntries(
      rows.flatMap((row) => (row.window_days === null ? [] : [[row.rule_id, row.window_days]])),
    ),
  }
}
/** Sets one rule: advice off, or a longer window. */
export const setRule = (
  db: Db,
  salonId: string,
  ruleId: string,
  setting: { adviceOff: boolean; windowDays: number | null },
  accountId: string,
) =>
  execute(
    db,
    `INSERT INTO rule_setting (salon_id, rule_id, advice_off, window_days, set_by)
      VALUES ($1, $2, $3, $4, $5)
      ON CONFLICT (salon_id, rule_id) DO UPDATE
      SET advice_off = $3, window_days = $4, set_by = $5, set_at = clock_timestamp()`,
    [salonId, ruleId, setting.adviceOff, setting.windowDays, accountId],
  )
/** Back to the book's own words. */
export const clearRule = (db: Db, salonId: string, ruleId: string) =>
  execute(db, 'DELETE FROM rule_setting WHERE salon_id = $1 AND rule_id = $2', [salonId, ruleId])

const KnownRow = z.object({
  id: z.string(),
  kind: z.enum(['medicine', 'condition']),
  name: z.string(),
  synonyms: z.array(z.string()),
  code: z.string(),
})
/** The salon's list of medicines and conditions, in its own order. */
export const listKnown = (db: Db, salonId: string): Promise<Known[]> =>
  many(
    db,
    KnownRow,
    `SELECT id, kind, name, synonyms, code
      FROM known_thing
      WHERE salon_id = $1
      ORDER BY position, id`,
    [salonId],
  )
export const saveKnown = (db: Db, salonId: string, known: Known, position: number) =>
  execute(
    db,
    `INSERT INTO known_thing (salon_id, id, kind, name, synonyms, code, position)
      VALUES ($1, $2, $3, $4, $5, $6, $7)
      ON CONFLICT (salon_id, id) DO UPDATE
      SET kind = $3, name = $4, synonyms = $5, code = $6`,
    [salonId, known.id, known.kind, known.name, known.synonyms, known.code, position],
  )
export const removeKnown = (db: Db, salonId: string, id: string) =>
  execute(db, 'DELETE FROM known_thing WHERE salon_id = $1 AND id = $2', [salonId, id])

/** True when a client of the salon has answered yes to this medicine. */
export const isKnownInUse = async (db: Db, salonId: string, id: string) =>
  (await maybeOne(
    db,
    z.object({ n: z.coerce.number() }),
    `SELECT count(*) AS n
      FROM (
          SELECT DISTINCT ON (f.client_id) f.answer
          FROM health_fact f
            JOIN client c ON c.id = f.client_id
          WHERE c.salon_id = $1
            AND f.code = 'medicine:' || $2
          ORDER BY f.client_id, f.recorded_at DESC
        ) AS latest
      WHERE answer = 'yes'`,
    [salonId, id],
  ))!.n > 0
