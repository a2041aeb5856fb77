import { z } from 'zod'
import { execute, many, maybeOne, type Db } from './rows'

// Tablets of the salon, and the PINs that people use on them.

/** Sets a PIN; what was tried before is forgotten. */
export const setPin = (db: Db, accountId: string, hash: string) =>
  execute(db, 'UPDATE account SET pin_hash = $2, pin_failures = 0 WHERE id = $1', [accountId, hash])

const Pin = z.object({ hash: z.string().nullable(), failures: z.number() })
/** The PIN of an account and how often it was missed of late; the row is locked, so that tries are counted one by one. */
export const pinOf = async (db: Db, accountId: string) =>
  maybeOne(
    db,
    Pin,
    `SELECT pin_hash AS hash, pin_failures AS failures
      FROM account
      WHERE id = $1
        AND locked_at IS NULL
        AND left_at IS NULL
      FOR UPDATE`,
    [accountId],
  )
export const setPinFailures = (db: Db, accountId: string, count: number) =>
  execute(db, 'UPDATE account SET pin_failures = $2 WHERE id = $1', [accountId, count])

const TabletRow = z.object({
  id: z.string(),
  name: z.string(),
  roomId: z.string().nullable(),
  room: z.string().nullable(),
  enrolledAt: z.date(),
  seenAt: z.date(),
  revokedAt: z.date().nullable(),
})
export const listTablets = (db: Db, salonId: string) =>
  many(
    db,
    TabletRow,
    `SELECT
        t.id,
        t.name,
        t.room_id AS "roomId",
        r.name AS room,
        t.enrolled_at AS "enrolledAt",
        t.seen_at AS "seenAt",
        t.revoked_at AS "revokedAt"
      FROM tablet t
        LEFT JOIN room r ON r.salon_id = t.salon_id AND r.id = t.room_id
      WHERE t.salon_id = $1
      ORDER BY t.revoked_at IS NOT NULL, t.name, t.id`,
    [salonId],
  )

interface NewTablet {
  readonly id: string
  readonly name: string
  readonly roomId: string | null
  readonly tokenHash: string
  readonly by: string
}
export const addTablet = (db: Db, { id, name, roomId, tokenHash, by }: NewTablet) =>
  execute(
    db,
    `INSERT INTO tablet (id, name, room_id, token_hash, enrolled_by)
      VALUES ($1, $2, $3, $4, $5)`,
    [id, name, roomId, tokenHash, by],
  )
export const setTablet = (
  db: Db,
  id: string,
  { name, roomId }: { name: string; roomId: string | null },
) => execute(db, 'UPDATE tablet SET name = $2, room_id = $3 WHERE id = $1', [id, name, roomId])

/** Calls a tablet off, and every session on it; how many tablets that were: none or one. */
export async function revokeTablet(db: Db, id: string): Promise<number> {
  const count = await execute(
    db,
    'UPDATE tablet SET revoked_at = now() WHERE id = $1 AND revoked_at IS NULL',
    [id],
  )
  await execute(
    db,
    `UPDATE session
      SET ended_at = COALESCE(ended_at, now()), revoked_at = now()
      WHERE tablet_id = $1
        AND revoked_at IS NULL`,
    [id],
  )
  return count
}

const Held = z.object({
  id: z.string(),
  salonId: z.string(),
  name: z.string(),
  roomId: z.string().nullable(),
  isRevoked: z.boolean(),
})
/** A tablet by what it holds: asked before anybody is signed in. */
export const tabletByToken = (db: Db, tokenHash: string) =>
  maybeOne(
    db,
    Held,
    `SELECT
        id,
        salon_id AS "salonId",
        name,
        room_id AS "roomId",
        revoked_at IS NOT NULL AS "isRevoked"
      FROM tablet_by_token($1)`,
    [tokenHash],
  )

const Tile = z.object({ id: z.string(), name: z.string(), hasPin: z.boolean() })
/** Who may work on a tablet: everybody who can sign in, by name. */
export const tilesOf = (db: Db, salonId: string) =>
  many(
    db,
    Tile,
    `SELECT id, name, pin_hash IS NOT NULL AND pin_failures < 5 AS "hasPin"
      FROM account
      WHERE salon_id = $1
        AND locked_at IS NULL
        AND left_at IS NULL
        AND password_hash <> ''
      ORDER BY name, id`,
    [salonId],
  )
