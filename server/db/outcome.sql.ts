import { z } from 'zod'
import { LeverUse, SkinAnswer } from '#core/climb/model'
import type { Property } from '#core/protocol'
import { addOnce, execute, maybeOne, type Db } from './rows'
import type { VisitRow } from './visit.sql'

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
            SELECT c.answer
            FROM check_in c
            WHERE c.visit_id = v.id
            ORDER BY c.recorded_at DESC
            LIMIT 1
          ),
          o.answer
        ) AS answer
      FROM visit v
        JOIN outcome o ON o.visit_id = v.id
      WHERE v.client_id = $1
        AND v.starts_at < $2
      ORDER BY v.starts_at DESC
      LIMIT 1`,
    [visit.client_id, visit.starts_at, visit.time_zone],
  )

const OutcomeRow = z.object({
  answer: SkinAnswer.nullable(),
  levers: z.array(LeverUse),
  note: z.string(),
  planned_s: z.number(),
  actual_s: z.number().nullable(),
  signed_at: z.date(),
  signed_name: z.string(),
  signed_by: z.string().nullable(),
  /** Why the signature is still to be confirmed by password. */
  sent_id: z.string().nullable(),
  doubt: z.string().nullable(),
})

export const outcomeOf = (db: Db, visitId: string) =>
  maybeOne(
    db,
    OutcomeRow,
    `SELECT
        o.answer,
        o.levers,
        o.note,
        o.planned_s,
        o.actual_s,
        o.signed_at,
        o.signed_name,
        o.signed_by,
        o.sent_id,
        d.reason AS doubt
      FROM outcome o
        LEFT JOIN signature_doubt d ON d.visit_id = o.visit_id AND d.confirmed_at IS NULL
      WHERE o.visit_id = $1`,
    [visitId],
  )

export interface Outcome {
  /** Given by the tablet that signed. */
  sentId?: string | undefined
  answer: SkinAnswer | null
  levers: readonly LeverUse[]
  /** What was worked with, as properties of what was done. */
  work: readonly Property[]
  /** Exfoliation points on the zone that got most. */
  points: number
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
  const locked = await execute(
    db,
    `UPDATE visit
      SET stage = 'closed', locked_at = now(), locked_by = $2
      WHERE id = $1
        AND locked_at IS NULL`,
    [visitId, accountId],
  )
  if (locked === 0) return false
  await execute(
    db,
    `INSERT INTO outcome (visit_id, answer, levers, work, points, note, planned_s, actual_s, signed_by, signed_name, sent_id)
      VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
    [
      visitId,
      outcome.answer,
      JSON.stringify(outcome.levers),
      JSON.stringify(outcome.work),
      outcome.points,
      outcome.note,
      outcome.plannedS,
      outcome.actualS,
      accountId,
      name,
      outcome.sentId ?? null,
    ],
  )
  return true
}

export const addCheckIn = (
  db: Db,
  id: string,
  visitId: string,
  askedOn: string,
  answer: SkinAnswer,
  accountId: string | null,
) =>
  addOnce(
    db,
    [
      `INSERT INTO check_in (id, visit_id, asked_on, answer, recorded_by)
        VALUES ($1, $2, $3, $4, $5)
        ON CONFLICT (id) DO NOTHING`,
      [id, visitId, askedOn, answer, accountId],
    ],
    ['SELECT FROM check_in WHERE id = $1 AND visit_id = $2', [id, visitId]],
  )

/** Says that a signature is to be confirmed, and why. */
export const addDoubt = (db: Db, visitId: string, accountId: string, reason: string) =>
  execute(db, 'INSERT INTO signature_doubt (visit_id, account_id, reason) VALUES ($1, $2, $3)', [
    visitId,
    accountId,
    reason,
  ])
/** Confirms one's own doubtful signature; how many that were: none or one. */
export const confirmSignature = (db: Db, visitId: string, accountId: string) =>
  execute(
    db,
    `UPDATE signature_doubt
      SET confirmed_at = now()
      WHERE visit_id = $1
        AND account_id = $2
        AND confirmed_at IS NULL`,
    [visitId, accountId],
  )
