import { z } from 'zod'
import { many, type Db } from './rows'

const Line = z.object({
  id: z.string(),
  at: z.date(),
  who: z.string(),
  action: z.string(),
  kind: z.string(),
  subjectId: z.string(),
  /** The client it is about, as they are called today. */
  client: z.string().nullable(),
  detail: z.record(z.string(), z.unknown()),
})
export type AuditLine = z.infer<typeof Line>

export interface AuditWish {
  readonly clientId: string | null
  readonly accountId: string | null
  /** Rows before this one: where a page went to. */
  readonly before: string | null
  readonly most: number
}
/** The log, the newest first: of everybody, of what one person did, or of what was seen and changed of one client, their visits too. */
export const listAudit = (db: Db, salonId: string, wish: AuditWish) =>
  many(
    db,
    Line,
    `SELECT
        a.id,
        a.at,
        w.name AS who,
        a.action,
        a.subject_kind AS kind,
        a.subject_id AS "subjectId",
        COALESCE(c.name, vc.name) AS client,
        a.detail
      FROM audit a
        JOIN account w ON w.salon_id = a.salon_id AND w.id = a.account_id
        LEFT JOIN client c ON a.subject_kind = 'client' AND c.salon_id = a.salon_id AND c.id::text = a.subject_id
        LEFT JOIN visit v ON a.subject_kind = 'visit' AND v.salon_id = a.salon_id AND v.id::text = a.subject_id
        LEFT JOIN client vc ON vc.salon_id = v.salon_id AND vc.id = v.client_id
      WHERE a.salon_id = $1
        AND ($2::uuid IS NULL OR a.account_id = $2)
        AND (
          $3::uuid IS NULL
          OR a.subject_id = $3::text
          OR a.subject_id IN (
            SELECT id::text
            FROM visit
            WHERE client_id = $3
            UNION ALL
            SELECT id::text
            FROM client
            WHERE merged_into = $3
          )
        )
        AND ($4::bigint IS NULL OR a.id < $4)
      ORDER BY a.id DESC
      LIMIT $5`,
    [salonId, wish.accountId, wish.clientId, wish.before, wish.most],
  )
