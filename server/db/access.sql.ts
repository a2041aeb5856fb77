import { z } from 'zod'
import { ROLES } from '#core/salon'
import type { Tries } from '../utils/waits'
import { execute, maybeOne, type Db } from './rows'

const Account = z.object({
  id: z.string(),
  salon_id: z.string(),
  email: z.string(),
  name: z.string(),
  role: z.enum(ROLES),
  practitioner_id: z.string().nullable(),
  /** The account whose way in counts here: somebody of another salon of the house. */
  home_id: z.string().nullable(),
  password_hash: z.string(),
  demo: z.boolean(),
  has_totp: z.boolean(),
  has_pin: z.boolean(),
  /** Of the session that asks: the tablet it is on, and the visit whose client holds it. */
  tablet_id: z.string().nullable(),
  handed_visit_id: z.string().nullable(),
})
export type Account = z.infer<typeof Account>

const ACCOUNT = `SELECT
    a.id,
    a.salon_id,
    a.email,
    a.name,
    a.role,
    a.practitioner_id,
    a.home_id,
    a.password_hash,
    a.demo,
    a.totp_on_at IS NOT NULL AS has_totp,
    a.pin_hash IS NOT NULL AS has_pin`

export const accountByEmail = (db: Db, email: string) =>
  maybeOne(
    db,
    Account,
    `${ACCOUNT}, NULL AS tablet_id, NULL AS handed_visit_id
      FROM account_by_email($1) a`,
    [email],
  )

/** The demo account that the sign-in page opens with one touch: the studio's lead practitioner. */
export const demoAccount = (db: Db) =>
  maybeOne(
    db,
    Account,
    `${ACCOUNT}, NULL AS tablet_id, NULL AS handed_visit_id
      FROM demo_account() a`,
  )

/** The account of a session that has neither expired nor been ended. */
export const accountOfSession = (db: Db, sessionId: string) =>
  maybeOne(
    db,
    Account,
    `${ACCOUNT}, s.tablet_id, s.handed_visit_id
      FROM account_of_session($1) a
        JOIN session s ON s.id = $1`,
    [sessionId],
  )

export const accountById = (db: Db, id: string) =>
  maybeOne(
    db,
    Account,
    `${ACCOUNT}, NULL AS tablet_id, NULL AS handed_visit_id
      FROM account_by_id($1) a`,
    [id],
  )

export const SESSION_WAYS = ['password', 'pin', 'demo', 'link'] as const
export type SessionWay = (typeof SESSION_WAYS)[number]

interface NewSession {
  readonly id: string
  readonly accountId: string
  readonly hours: number
  readonly agent: string
  readonly way: SessionWay
  readonly tabletId: string | null
}
export const openSession = (db: Db, session: NewSession) =>
  execute(
    db,
    `INSERT INTO session (id, account_id, expires_at, agent, way, tablet_id)
      VALUES ($1, $2, now() + make_interval(hours => $3), $4, $5, $6)`,
    [
      ...[session.id, session.accountId, session.hours],
      ...[session.agent, session.way, session.tabletId],
    ],
  )
export const endSession = (db: Db, id: string) =>
  execute(db, 'UPDATE session SET ended_at = now() WHERE id = $1 AND ended_at IS NULL', [id])

/** Ends every session of an account; those on other devices are called off. */
export const endSessionsOf = (db: Db, accountId: string, own: string) =>
  execute(
    db,
    `UPDATE session
      SET ended_at = now(),
        revoked_at = CASE WHEN id = $2 THEN NULL ELSE now() END
      WHERE account_id = $1
        AND ended_at IS NULL`,
    [accountId, own],
  )
/** Ends every session of somebody: called off. */
export const callOffSessionsOf = (db: Db, accountId: string) =>
  execute(
    db,
    `UPDATE session
      SET ended_at = now(), revoked_at = now()
      WHERE account_id = $1
        AND ended_at IS NULL`,
    [accountId],
  )
/** Calls off the sessions of somebody but one. */
export const endOtherSessions = (db: Db, accountId: string, own: string) =>
  execute(
    db,
    `UPDATE session
      SET ended_at = now(), revoked_at = now()
      WHERE account_id = $1
        AND id <> $2
        AND ended_at IS NULL`,
    [accountId, own],
  )
/** Whether somebody called a session off. */
export const isRevoked = async (db: Db, id: string): Promise<boolean> =>
  (await execute(db, 'SELECT FROM session WHERE id = $1 AND revoked_at IS NOT NULL', [id])) > 0

const Counted = z.object({
  both: z.coerce.number(),
  both_ago: z.coerce.number(),
  account: z.coerce.number(),
  account_ago: z.coerce.number(),
  address: z.coerce.number(),
  address_ago: z.coerce.number(),
})

/** Tries of one account wait for each other until the transaction ends, and those of one address: a hundred at once are counted one by one. */
export async function lockAttempts(db: Db, email: string, address: string): Promise<void> {
  for (const name of [`account ${email.toLowerCase()}`, `address ${address}`])
    await execute(db, 'SELECT pg_advisory_xact_lock(hashtextextended($1, 0))', [name])
}

/** Failed tries of late: see `FAILURES`. */
export async function recentFailures(db: Db, email: string, address: string): Promise<Tries> {
  const found = (await maybeOne(db, Counted, FAILURES, [email, address]))!
  return {
    both: { count: found.both, secondsAgo: found.both_ago },
    account: { count: found.account, secondsAgo: found.account_ago },
    address: { count: found.address, secondsAgo: found.address_ago },
  }
}

/** Keeps a try to sign in, which counts as failed until it is told otherwise. Gives its id. */
export const addAttempt = async (db: Db, email: string, address: string): Promise<string> =>
  (await maybeOne(
    db,
    z.object({ id: z.string() }),
    `INSERT INTO sign_in_attempt (email, address, ok)
      VALUES (lower($1), $2, false)
      RETURNING id`,
    [email, address],
  ))!.id

/** Failed tries of the last quarter of an hour, for this account from this address since it last got in, for the account, and for the address. */
const FAILURES = `WITH
    recent AS (
      SELECT email = lower($1) AS is_account, address = $2 AS is_address, at, ok
      FROM sign_in_attempt
      WHERE at > now() - interval '15 minutes'
        AND (
          email = lower($1)
          OR address = $2
        )
    ),
    since AS (
      SELECT COALESCE(max(at), '-infinity') AS at
      FROM recent
      WHERE ok
        AND is_account
        AND is_address
    ),
    failed AS (
      SELECT
        recent.*,
        is_account
        AND is_address
        AND recent.at > since.at AS is_both
      FROM recent, since
      WHERE NOT ok
    )
  SELECT
    count(*) FILTER (WHERE is_both) AS both,
    COALESCE(extract(epoch FROM clock_timestamp() - max(at) FILTER (WHERE is_both)), 0) AS both_ago,
    count(*) FILTER (WHERE is_account) AS account,
    COALESCE(extract(epoch FROM clock_timestamp() - max(at) FILTER (WHERE is_account)), 0) AS account_ago,
    count(*) FILTER (WHERE is_address) AS address,
    COALESCE(extract(epoch FROM clock_timestamp() - max(at) FILTER (WHERE is_address)), 0) AS address_ago
  FROM failed`

/** A try was right. */
export const attemptSucceeded = (db: Db, id: string) =>
  execute(db, 'UPDATE sign_in_attempt SET ok = true WHERE id = $1', [id])

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

/** The same for several clients at once: whose data were shown. */
export const writeAudits = (
  db: Db,
  accountId: string,
  action: string,
  clientIds: readonly string[],
  detail: object,
) =>
  execute(
    db,
    `INSERT INTO audit (account_id, action, subject_kind, subject_id, detail)
      SELECT $1, $2, 'client', id, $4
      FROM unnest($3::text[]) AS id`,
    [accountId, action, clientIds, detail],
  )
