import { z } from 'zod'
import { Hazard, Role, ScopeEntry } from '#core/salon/model'
import { execute, many, maybeOne, withoutNulls, type Db } from './rows'

// Who works in a salon: their accounts, what they may do, and the links that let them in.

export const addPractitioner = (
  db: Db,
  { id, salonId, name }: { id: string; salonId: string; name: string },
) =>
  execute(
    db,
    `INSERT INTO practitioner (id, salon_id, name)
      VALUES ($1, $2, $3)`,
    [id, salonId, name],
  )

/** Writes what a practitioner may do, whole. */
export async function setScope(db: Db, practitionerId: string, scope: readonly ScopeEntry[]) {
  await execute(db, 'DELETE FROM scope_entry WHERE practitioner_id = $1', [practitionerId])
  await execute(
    db,
    `INSERT INTO scope_entry (practitioner_id, technique, licence, until)
      SELECT $1, technique, licence, until
      FROM jsonb_to_recordset($2) AS s (technique text, licence text, until date)`,
    [practitionerId, JSON.stringify(scope)],
  )
}

export interface NewAccount {
  readonly id: string
  readonly salonId: string
  readonly email: string
  readonly name: string
  readonly role: z.infer<typeof Role>
  readonly practitionerId: string | null
  /** Nothing: invited, nobody signs in with it yet. */
  readonly passwordHash: string
  readonly demo?: boolean
  /** Whose way in counts: password and second step are theirs. */
  readonly homeId?: string
}
export const addAccount = (db: Db, account: NewAccount) =>
  execute(
    db,
    `INSERT INTO account (
        id,
        salon_id,
        email,
        name,
        role,
        practitioner_id,
        password_hash,
        demo,
        home_id
      )
      VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9)`,
    [
      ...[account.id, account.salonId, account.email, account.name, account.role],
      ...[account.practitionerId, account.passwordHash, account.demo ?? false],
      account.homeId ?? null,
    ],
  )

const PersonRow = z.object({
  id: z.string(),
  email: z.string(),
  name: z.string(),
  role: Role,
  practitionerId: z.string().nullable(),
  isInvited: z.boolean(),
  lockedAt: z.date().nullable(),
  leftAt: z.date().nullable(),
  hasTotp: z.boolean(),
  hasPin: z.boolean(),
  homeId: z.string().nullable(),
  hazards: z.array(Hazard).nullable(),
  scope: z.array(z.unknown()),
})

/** Everybody of the salon, by name; who has left comes last. */
export async function listPeople(db: Db, salonId: string) {
  const rows = await many(
    db,
    PersonRow,
    `SELECT
        a.id,
        a.email,
        a.name,
        a.role,
        a.practitioner_id AS "practitionerId",
        a.password_hash = '' AS "isInvited",
        a.locked_at AS "lockedAt",
        a.left_at AS "leftAt",
        a.totp_on_at IS NOT NULL AS "hasTotp",
        a.pin_hash IS NOT NULL AS "hasPin",
        a.home_id AS "homeId",
        p.hazards,
        COALESCE(
          (
            SELECT jsonb_agg(
              jsonb_build_object('technique', s.technique, 'licence', s.licence, 'until', s.until)
              ORDER BY s.technique
            )
            FROM scope_entry s
            WHERE s.salon_id = a.salon_id
              AND s.practitioner_id = a.practitioner_id
          ),
          '[]'
        ) AS scope
      FROM account a
        LEFT JOIN practitioner p ON p.salon_id = a.salon_id AND p.id = a.practitioner_id
      WHERE a.salon_id = $1
      ORDER BY a.left_at IS NOT NULL, a.name, a.id`,
    [salonId],
  )
  return rows.map(({ scope, ...row }) => ({
    ...row,
    hazards: row.hazards ?? [],
    scope: scope.map((entry) => ScopeEntry.parse(withoutNulls(entry as object))),
  }))
}
export type PersonRow = Awaited<ReturnType<typeof listPeople>>[number]

export const personById = async (
  db: Db,
  salonId: string,
  id: string,
): Promise<PersonRow | undefined> =>
  (await listPeople(db, salonId)).find((person) => person.id === id)

/** Owners who can sign in, besides this one; locked until the transaction ends, so that two cannot go at once. */
export async function otherOwners(db: Db, salonId: string, id: string): Promise<number> {
  const owners = await many(
    db,
    z.object({ id: z.string() }),
    `SELECT id
      FROM account
      WHERE salon_id = $1
        AND role = 'owner'
        AND left_at IS NULL
        AND locked_at IS NULL
        AND password_hash <> ''
      ORDER BY id
      FOR UPDATE`,
    [salonId],
  )
  return owners.filter((owner) => owner.id !== id).length
}

interface PersonChange {
  readonly name: string
  readonly role: z.infer<typeof Role>
  readonly practitionerId: string | null
}
export const setPerson = (db: Db, id: string, { name, role, practitionerId }: PersonChange) =>
  execute(db, 'UPDATE account SET name = $2, role = $3, practitioner_id = $4 WHERE id = $1', [
    ...[id, name, role, practitionerId],
  ])

/** Names a practitioner and what must be minded about them. */
export const setPractitioner = (
  db: Db,
  id: string,
  { name, hazards }: { name: string; hazards: readonly string[] },
) =>
  execute(db, 'UPDATE practitioner SET name = $2, hazards = $3 WHERE id = $1', [id, name, hazards])

export const setPassword = (db: Db, id: string, hash: string) =>
  execute(db, 'UPDATE account SET password_hash = $2, pin_failures = 0 WHERE id = $1', [id, hash])

/** Locks somebody out, or lets them in again. */
export const setLocked = (db: Db, id: string, locked: boolean) =>
  execute(
    db,
    'UPDATE account SET locked_at = CASE WHEN $2 THEN COALESCE(locked_at, now()) END WHERE id = $1',
    [id, locked],
  )

/** Somebody leaves, or comes back: what they did keeps their name; nobody books them any more. */
export async function setLeft(db: Db, id: string, left: boolean, today: string) {
  await execute(
    db,
    'UPDATE account SET left_at = CASE WHEN $2 THEN COALESCE(left_at, now()) END WHERE id = $1',
    [id, left],
  )
  await execute(
    db,
    `UPDATE practitioner p
      SET left_on = CASE WHEN $2 THEN COALESCE(p.left_on, $3::date) END
      FROM account a
      WHERE a.id = $1
        AND p.salon_id = a.salon_id
        AND p.id = a.practitioner_id`,
    [id, left, today],
  )
}

export const LINK_PURPOSES = ['invite', 'reset'] as const
interface NewLink {
  readonly id: string
  readonly accountId: string
  readonly purpose: (typeof LINK_PURPOSES)[number]
  readonly tokenHash: string
  readonly by: string
  readonly hours: number
}
/** A link that sets a password; those of the same person that were made before work no more. */
export async function addLink(db: Db, link: NewLink) {
  await execute(
    db,
    'UPDATE account_link SET used_at = now() WHERE account_id = $1 AND used_at IS NULL',
    [link.accountId],
  )
  await execute(
    db,
    `INSERT INTO account_link (id, account_id, purpose, token_hash, made_by, until)
      VALUES ($1, $2, $3, $4, $5, now() + make_interval(hours => $6))`,
    [link.id, link.accountId, link.purpose, link.tokenHash, link.by, link.hours],
  )
}

const Link = z.object({
  id: z.string(),
  salonId: z.string(),
  accountId: z.string(),
  purpose: z.enum(LINK_PURPOSES),
  isUsed: z.boolean(),
  isLate: z.boolean(),
})
export type Link = z.infer<typeof Link>
/** A link by what its token hashes to: asked before anybody is signed in. */
export const linkByToken = (db: Db, tokenHash: string) =>
  maybeOne(
    db,
    Link,
    `SELECT
        id,
        salon_id AS "salonId",
        account_id AS "accountId",
        purpose,
        used_at IS NOT NULL AS "isUsed",
        until < now() AS "isLate"
      FROM link_by_token($1)`,
    [tokenHash],
  )

/** Uses a link up; false where somebody else did meanwhile. */
export const useLink = async (db: Db, id: string): Promise<boolean> =>
  (await execute(db, 'UPDATE account_link SET used_at = now() WHERE id = $1 AND used_at IS NULL', [
    id,
  ])) === 1
