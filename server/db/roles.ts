import type { Client } from 'pg'
import { z } from 'zod'
import { maybeOne, type Db } from './rows'

/** Who migrates and owns everything, and who serves and owns nothing: their names and passwords. */
export interface Roles {
  readonly owner: Role
  readonly app: Role
}
interface Role {
  readonly name: string
  readonly password: string
}

/** The role of a connection string. */
export function roleOf(url: string): Role {
  const { username, password } = new URL(url)
  return { name: decodeURIComponent(username), password: decodeURIComponent(password) }
}

/**
 * Makes both roles, or sets them right, and hands everything in the database to the owner: in a cluster of an earlier version too. `admin` is
 * connected as a superuser of a cluster of our own.
 */
export async function ensureRoles(admin: Client, { owner, app }: Roles): Promise<void> {
  for (const { name, password } of [owner, app]) {
    const [role, secret] = [admin.escapeIdentifier(name), admin.escapeLiteral(password)]
    const known = await admin.query('SELECT FROM pg_roles WHERE rolname = $1', [name])
    if (known.rowCount === 0) await admin.query(`CREATE ROLE ${role}`)
    await admin.query(
      `ALTER ROLE ${role} LOGIN NOSUPERUSER NOBYPASSRLS NOCREATEDB NOCREATEROLE PASSWORD ${secret}`,
    )
  }
  const to = admin.escapeIdentifier(owner.name)
  // Whom nobody signs in as: two functions act as it, on what is otherwise kept as it was written.
  const eraser = await admin.query('SELECT FROM pg_roles WHERE rolname = $1', [ERASER])
  if (eraser.rowCount === 0) await admin.query(`CREATE ROLE ${ERASER} NOLOGIN`)
  await admin.query(`GRANT ${ERASER} TO ${to}`)
  const { rows } = await admin.query<{ handing: string }>(OWNED_BY_OTHERS, [owner.name])
  for (const { handing } of rows) await admin.query(`ALTER ${handing} OWNER TO ${to}`)
}

/** The role that moves and erases what is otherwise kept as it was written. */
const ERASER = 'zen_erase'
/** What acts as it. */
const ERASING = [
  'erase_client(uuid, uuid, text)',
  'erase_photos(uuid[])',
  'merge_clients(uuid, uuid)',
]

/** Database, schema, tables, views and functions that another role owns; what belongs to an extension stays with it. */
const OWNED_BY_OTHERS = `SELECT 'DATABASE ' || quote_ident(current_database()) AS handing
    FROM pg_database
    WHERE datname = current_database()
      AND pg_get_userbyid(datdba) <> $1
  UNION ALL
  SELECT 'SCHEMA public'
    FROM pg_namespace
    WHERE nspname = 'public'
      AND pg_get_userbyid(nspowner) <> $1
  UNION ALL
  SELECT CASE relkind WHEN 'v' THEN 'VIEW ' ELSE 'TABLE ' END || oid::regclass
    FROM pg_class
    WHERE relnamespace = 'public'::regnamespace
      AND relkind IN ('r', 'v')
      AND pg_get_userbyid(relowner) <> $1
  UNION ALL
  SELECT 'FUNCTION ' || p.oid::regprocedure
    FROM pg_proc p
    WHERE pronamespace = 'public'::regnamespace
      AND pg_get_userbyid(proowner) NOT IN ($1, '${ERASER}')
      AND NOT EXISTS (
        SELECT
        FROM pg_depend d
        WHERE d.objid = p.oid
          AND d.deptype = 'e'
      )`

/** Functions that look past row-level security: each asks one thing, and no more. */
const LOOKING_PAST = [
  'account_by_email(text)',
  'account_by_id(uuid)',
  'account_of_past_session(uuid)',
  'account_of_session(uuid)',
  'add_branch(uuid, uuid, text, text, text)',
  'alike_clients(text, date, text, int)',
  'claim_messages(int)',
  'demo_account()',
  'erase_client(uuid, uuid, text)',
  'erase_photos(uuid[])',
  'find_clients(text, text[], text, date, text, uuid, int)',
  'has_salon()',
  'link_by_token(text)',
  'merge_clients(uuid, uuid)',
  'people_elsewhere(uuid)',
  'salons_of(uuid)',
  'seal_audit()',
  'settle_message(uuid, boolean, text, int)',
  'set_up_salon(text, uuid, text, text, text)',
  'sweep()',
  'tablet_by_token(text)',
]

/** What the serving role may do, given by the owner after every migration: rows, never what the tables are; the log is written and read, never changed. */
export async function grantTo(owner: Client, app: string): Promise<void> {
  const role = owner.escapeIdentifier(app)
  await owner.query(`GRANT USAGE ON SCHEMA public TO ${role}`)
  await owner.query(
    `GRANT SELECT, INSERT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO ${role}`,
  )
  await owner.query(`REVOKE ALL ON schema_version, set_up FROM ${role}`)
  await owner.query(`REVOKE UPDATE, DELETE ON audit FROM ${role}`)
  await owner.query(`REVOKE INSERT, UPDATE, DELETE ON audit_seal FROM ${role}`)
  await owner.query(`REVOKE DELETE ON waiting_change FROM ${role}`)
  await owner.query(`REVOKE INSERT, DELETE ON salon FROM ${role}`)
  await owner.query(`REVOKE UPDATE, DELETE ON client_was FROM ${role}`)
  await owner.query(`REVOKE INSERT, DELETE ON erasure FROM ${role}`)
  await giveToEraser(owner)
  await owner.query(`GRANT EXECUTE ON FUNCTION ${LOOKING_PAST.join(', ')} TO ${role}`)
}

/** Hands what erases to its role, where there is one and the owner belongs to it: else erasing and merging are refused (docs/operations.md). */
async function giveToEraser(owner: Client): Promise<void> {
  const mine = await owner.query(
    `SELECT
      FROM pg_roles
      WHERE rolname = $1
        AND pg_has_role(oid, 'MEMBER')`,
    [ERASER],
  )
  if (mine.rowCount === 0) return
  await owner.query(`GRANT USAGE, CREATE ON SCHEMA public TO ${ERASER}`)
  await owner.query(`GRANT SELECT, UPDATE, DELETE ON ALL TABLES IN SCHEMA public TO ${ERASER}`)
  await owner.query(`REVOKE UPDATE, DELETE ON audit, audit_seal FROM ${ERASER}`)
  await owner.query(`GRANT INSERT ON erasure TO ${ERASER}`)
  for (const name of ERASING) await owner.query(`ALTER FUNCTION ${name} OWNER TO ${ERASER}`)
  await owner.query(`REVOKE CREATE ON SCHEMA public FROM ${ERASER}`)
}

const Strength = z.object({ name: z.string(), superuser: z.boolean(), owns: z.boolean() })

/** Why the role of this connection is too strong to serve, in a sentence; undefined where it is not. */
export async function tooStrong(db: Db): Promise<string | undefined> {
  const { name, superuser, owns } = (await maybeOne(
    db,
    Strength,
    `SELECT
        rolname AS name,
        rolsuper OR rolbypassrls AS superuser,
        EXISTS (
          SELECT
          FROM pg_class
          WHERE relnamespace = 'public'::regnamespace
            AND pg_has_role(relowner, 'MEMBER')
        ) AS owns
      FROM pg_roles
      WHERE rolname = current_user`,
  ))!
  if (!superuser && !owns) return undefined
  return `DATABASE_URL names the role ${name}, who ${superuser ? 'sees past row-level security' : 'owns the tables'}. Name one that may only serve, and in ZEN_MIGRATE_URL the one that owns them (docs/operations.md).`
}
