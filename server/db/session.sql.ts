import { z } from 'zod'
import { SESSION_WAYS } from './access.sql'
import { execute, many, type Db } from './rows'

const SessionRow = z.object({
  id: z.string(),
  createdAt: z.date(),
  seenAt: z.date(),
  agent: z.string(),
  way: z.enum(SESSION_WAYS),
  tablet: z.string().nullable(),
})
/** The sessions of an account that are open, the last used first. */
export const openSessionsOf = (db: Db, accountId: string) =>
  many(
    db,
    SessionRow,
    `SELECT
        s.id,
        s.created_at AS "createdAt",
        s.seen_at AS "seenAt",
        s.agent,
        s.way,
        t.name AS tablet
      FROM session s
        LEFT JOIN tablet t ON t.id = s.tablet_id
      WHERE s.account_id = $1
        AND s.ended_at IS NULL
        AND s.expires_at > now()
        AND s.seen_at > now() - interval '6 hours'
      ORDER BY s.seen_at DESC, s.id`,
    [accountId],
  )
/** Calls off one session of an account; how many that were: none or one. */
export const callOffSession = (db: Db, accountId: string, id: string) =>
  execute(
    db,
    `UPDATE session
      SET ended_at = now(), revoked_at = now()
      WHERE account_id = $1
        AND id = $2
        AND ended_at IS NULL`,
    [accountId, id],
  )
/** Gives the tablet of a session to the client of a visit; null: takes it back. */
export const handSession = (db: Db, id: string, visitId: string | null) =>
  execute(db, 'UPDATE session SET handed_visit_id = $2 WHERE id = $1', [id, visitId])
/** A session is on this tablet from now on. */
export const setSessionTablet = (db: Db, id: string, tabletId: string) =>
  execute(db, 'UPDATE session SET tablet_id = $2 WHERE id = $1', [id, tabletId])
