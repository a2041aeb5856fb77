import { z } from 'zod'
import { execute, maybeOne, type Db } from './rows'

export const ROLES = ['owner', 'practitioner', 'assistant', 'front_desk'] as const
const Account = z.object({
  id: z.string(),
  salon_id: z.string(),
  name: z.string(),
  role: z.enum(ROLES),
  practitioner_id: z.string().nullable(),
  password_hash: z.string(),
  demo: z.boolean(),
})
export type Account = z.infer<typeof Account>

export const accountByEmail = (db: Db, email: string) =>
  maybeOne(
    db,
    Account,
    `SELECT id, salon_id, name, role, practitioner_id, password_hash, demo
      FROM account_by_email($1)`,
    [email],
  )

/** The demo account that the sign-in page opens with one touch: the studio's lead practitioner. */
export const demoAccount = (db: Db) =>
  maybeOne(
    db,
    Account,
    `SELECT id, salon_id, name, role, practitioner_id, password_hash, demo
      FROM demo_account()`,
  )

/** The account of a session that has neither expired nor been ended. */
export const accountOfSession = (db: Db, sessionId: string) =>
  maybeOne(
    db,
    Account,
    `SELECT id, salon_id, name, role, practitioner_id, password_hash, demo
      FROM account_of_session($1)`,
    [sessionId],
  )

export const openSession = (db: Db, id: string, accountId: string, hours: number) =>
  execute(
    db,
    `INSERT INTO session (id, account_id, expires_at)
      VALUES ($1, $2, now() + make_interval(hours => $3))`,
    [id, accountId, hours],
  )
export const endSession = (db: Db, id: string) =>
  execute(db, 'UPDATE session SET ended_at = now() WHERE id = $1 AND ended_at IS NULL', [id])

export const recordAttempt = (db: Db, email: string, address: string, ok: boolean) =>
  execute(
    db,
    `INSERT INTO sign_in_attempt (email, address, ok)
    VALUES (lower($1), $2, $3)`,
    [email, address, ok],
  )

/** Failed sign-ins in the last `minutes`, for this address book entry and for this network address. */
export async function recentFailures(db: Db, email: string, address: string, minutes: number) {
  const row = await maybeOne(
    db,
    z.object({ by_email: z.coerce.number(), by_address: z.coerce.number() }),
    `SELECT
        count(*) FILTER (
          WHERE email = lower($1)
        ) AS by_email,
        count(*) FILTER (
          WHERE address = $2
        ) AS by_address
      FROM sign_in_attempt
      WHERE NOT ok
        AND at > now() - make_interval(mins => $3)
        AND (
          email = lower($1)
          OR address = $2
        )`,
    [email, address, minutes],
  )
  return row!
}

export const writeAudit = (
  db: Db,
  accountId: string,
  action: string,
  subjectKind: string,
  subjectId: string,
  detail: object = {},
) =>
  execute(
    db,
    `INSERT INTO audit (account_id, action, subject_kind, subject_id, detail)
      VALUES ($1, $2, $3, $4, $5)`,
    [accountId, action, subjectKind, subjectId, detail],
  )
