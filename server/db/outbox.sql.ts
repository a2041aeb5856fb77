import { z } from 'zod'
import type { LetterText } from '#core/formats'
import { execute, many, maybeOne, type Db } from './rows'

const Past = z.object({ accountId: z.string(), endedAt: z.date(), revoked: z.boolean() })

/** Whose a session was, when it ended or will, and whether it was called off. */
export const pastSession = (db: Db, sessionId: string) =>
  maybeOne(
    db,
    Past,
    `SELECT account_id AS "accountId", ended_at AS "endedAt", revoked
      FROM account_of_past_session($1)`,
    [sessionId],
  )

/** Lays a change before the owner. Sent twice it is there once. */
export const addWaiting = (
  db: Db,
  id: string,
  accountId: string,
  { madeMs, method, path, body }: LetterText,
  reason: string,
) =>
  execute(
    db,
    `INSERT INTO waiting_change (id, account_id, made_at, method, path, body, reason)
      VALUES ($1, $2, to_timestamp($3::double precision / 1000), $4, $5, $6, $7)
      ON CONFLICT (id) DO NOTHING`,
    [id, accountId, madeMs, method, path, JSON.stringify(body ?? null), reason],
  )

const Waiting = z.object({
  id: z.string(),
  by: z.string(),
  madeAt: z.date(),
  receivedAt: z.date(),
  method: z.enum(['POST', 'PUT', 'DELETE']),
  path: z.string(),
  body: z.unknown(),
  reason: z.string(),
  client: z.string().nullable(),
  visitAt: z.date().nullable(),
})

/** Changes that nobody has decided on, the oldest first, each with the visit that it is about. */
export const listWaiting = (db: Db) => many(db, Waiting, `${WAITING} ORDER BY w.made_at, w.id`)

/** One of them, locked until the transaction ends: it is decided once. */
export const lockWaiting = (db: Db, id: string) =>
  maybeOne(db, Waiting, `${WAITING} AND w.id = $1 FOR UPDATE OF w`, [id])

const WAITING = `SELECT
    w.id,
    a.name AS by,
    w.made_at AS "madeAt",
    w.received_at AS "receivedAt",
    w.method,
    w.path,
    w.body,
    w.reason,
    c.name AS client,
    v.starts_at AS "visitAt"
  FROM waiting_change w
    JOIN account a ON a.id = w.account_id
    LEFT JOIN visit v ON v.id::text = split_part(w.path, '/', 4)
    LEFT JOIN client c ON c.id = v.client_id
  WHERE w.decided_at IS NULL`

export const decideWaiting = (db: Db, id: string, accountId: string, taken: boolean) =>
  execute(
    db,
    `UPDATE waiting_change
      SET decided_at = now(),
        decided_by = $2,
        taken = $3
      WHERE id = $1`,
    [id, accountId, taken],
  )
