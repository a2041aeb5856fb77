import { z } from 'zod'
import { seenOnLeaving, toldAfter } from '#core/climb'
import { LeavingSkin, LeverUse, SkinAnswer } from '#core/climb/model'
import type { Property } from '#core/protocol'
import { addOnce, execute, many, maybeOne, type Db } from './rows'
import type { VisitRow } from './visit.sql'

/** What was told of a visit `v` with its outcome `o`, as columns; read by `ToldRow`. */
export const TOLD = `(
          SELECT COALESCE(
            jsonb_agg(
              jsonb_build_object('askedOn', to_char(c.asked_on, 'YYYY-MM-DD'), 'answer', c.answer)
              ORDER BY c.recorded_at
            ),
            '[]'
          )
          FROM check_in c
          WHERE c.visit_id = v.id
            AND c.answer IS NOT NULL
        ) AS "checkIns",
        o.answer AS "atClose",
        o.leaving`
export const ToldRow = z.object({
  checkIns: z.array(z.object({ askedOn: z.string(), answer: SkinAnswer })),
  atClose: SkinAnswer.nullable(),
  leaving: LeavingSkin.nullable(),
})

/** Of a row with what was told, what counts: on leaving, and a day or more after its day (ISO). The row without what that is read from. */
export function asTold<Row extends z.infer<typeof ToldRow> & { readonly on: string }>(row: Row) {
  const { checkIns, atClose, leaving, ...rest } = row
  const told = { checkIns, atClose, leaving }
  return { ...rest, leaving: seenOnLeaving(told) ?? null, answer: toldAfter(told, row.on) }
}

const Closed = ToldRow.extend({ id: z.string(), on: z.string() })

/** The client's last signed visit before this one, with what the skin showed on leaving and answered so far, or undefined. */
export async function visitBefore(db: Db, visit: VisitRow) {
  const row = await maybeOne(
    db,
    Closed,
    `SELECT
        v.id,
        to_char(v.starts_at AT TIME ZONE $3, 'YYYY-MM-DD') AS "on",
        ${TOLD}
      FROM visit v
        JOIN outcome o ON o.visit_id = v.id
      WHERE v.client_id = $1
        AND v.starts_at < $2
      ORDER BY v.starts_at DESC
      LIMIT 1`,
    [visit.client_id, visit.starts_at, visit.time_zone],
  )
  return row && { ...asTold(row), checkIns: row.checkIns }
}

const NextNote = z.object({ visitId: z.string(), on: z.string(), text: z.string() })
/** What was noted for next time at the client's visits before this one and nobody has ticked yet, the newest first. */
export const nextNotes = (db: Db, visit: VisitRow) =>
  many(
    db,
    NextNote,
    `SELECT
        v.id AS "visitId",
        to_char(v.starts_at AT TIME ZONE $3, 'YYYY-MM-DD') AS "on",
        o.next_note AS text
      FROM visit v
        JOIN outcome o ON o.visit_id = v.id
      WHERE v.client_id = $1
        AND v.starts_at < $2
        AND o.next_note <> ''
        AND NOT EXISTS (SELECT FROM next_note_done d WHERE d.visit_id = v.id)
      ORDER BY v.starts_at DESC`,
    [visit.client_id, visit.starts_at, visit.time_zone],
  )
/** Ticks the note that a visit left for the next; ticked twice it is ticked. */
export const tickNextNote = (db: Db, visitId: string, accountId: string) =>
  execute(
    db,
    'INSERT INTO next_note_done (visit_id, done_by) VALUES ($1, $2) ON CONFLICT (visit_id) DO NOTHING',
    [visitId, accountId],
  )

const OutcomeRow = ToldRow.extend({
  on: z.string(),
  levers: z.array(LeverUse),
  note: z.string(),
  next_note: z.string(),
  planned_s: z.number(),
  actual_s: z.number().nullable(),
  signed_at: z.date(),
  signed_name: z.string(),
  signed_by: z.string().nullable(),
  /** How often the client was asked for and not reached, since they were last heard of. */
  tries: z.number(),
  /** Why the signature is still to be confirmed by password. */
  sent_id: z.string().nullable(),
  doubt: z.string().nullable(),
})

/** What a visit was signed with, and what was told of the skin since. */
export async function outcomeOf(db: Db, visitId: string) {
  const row = await maybeOne(
    db,
    OutcomeRow,
    `SELECT
        to_char(v.starts_at AT TIME ZONE s.time_zone, 'YYYY-MM-DD') AS "on",
        ${TOLD},
        o.levers,
        o.note,
        o.next_note,
        o.planned_s,
        o.actual_s,
        o.signed_at,
        o.signed_name,
        o.signed_by,
        o.sent_id,
        (
          SELECT count(*)::int
          FROM check_in c
          WHERE c.visit_id = v.id
            AND c.answer IS NULL
            AND NOT EXISTS (
              SELECT
              FROM check_in heard
              WHERE heard.visit_id = v.id
                AND heard.answer IS NOT NULL
                AND heard.recorded_at > c.recorded_at
            )
        ) AS tries,
        d.reason AS doubt
      FROM outcome o
        JOIN visit v ON v.id = o.visit_id
        JOIN salon s ON s.id = v.salon_id
        LEFT JOIN signature_doubt d ON d.visit_id = o.visit_id AND d.confirmed_at IS NULL
      WHERE o.visit_id = $1`,
    [visitId],
  )
  return row && { ...asTold(row), checkIns: row.checkIns }
}

export interface Outcome {
  /** Given by the tablet that signed. */
  sentId?: string | undefined
  leaving: LeavingSkin | null
  /** As an earlier version asked it at the close. */
  answer?: SkinAnswer | null | undefined
  levers: readonly LeverUse[]
  /** What was worked with, as properties of what was done. */
  work: readonly Property[]
  /** Exfoliation points on the zone that got most. */
  points: number
  note: string
  /** For the next visit. */
  nextNote?: string | undefined
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
    `INSERT INTO outcome (visit_id, answer, leaving, levers, work, points, note, next_note, planned_s, actual_s, signed_by, signed_name, sent_id)
      VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)`,
    [
      visitId,
      outcome.answer ?? null,
      outcome.leaving,
      JSON.stringify(outcome.levers),
      JSON.stringify(outcome.work),
      outcome.points,
      outcome.note,
      outcome.nextNote ?? '',
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
  /** Null: not reached. */
  answer: SkinAnswer | null,
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
