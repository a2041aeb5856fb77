import { z } from 'zod'
import { execute, maybeOne, type Db } from './rows'

// The second step at sign-in: a time-based code (RFC 6238) and codes to recover with.

const Totp = z.object({
  secret: z.string().nullable(),
  isOn: z.boolean(),
  lastStep: z.coerce.number(),
  recoveryHashes: z.array(z.string()),
})
/** What an account has of a second step; its row is locked, so that a code counts once. */
export const totpOf = async (db: Db, accountId: string) =>
  (await maybeOne(
    db,
    Totp,
    `SELECT
        totp_secret AS secret,
        totp_on_at IS NOT NULL AS "isOn",
        totp_step AS "lastStep",
        recovery_hashes AS "recoveryHashes"
      FROM account
      WHERE id = $1
      FOR UPDATE`,
    [accountId],
  ))!

/** A secret that is not in use until its first code was given. */
export const offerTotp = (db: Db, accountId: string, secret: string) =>
  execute(
    db,
    'UPDATE account SET totp_secret = $2, totp_on_at = NULL, totp_step = 0 WHERE id = $1',
    [accountId, secret],
  )
export const turnTotpOn = (
  db: Db,
  accountId: string,
  step: number,
  recoveryHashes: readonly string[],
) =>
  execute(
    db,
    `UPDATE account
      SET totp_on_at = now(),
        totp_step = $2,
        recovery_hashes = $3
      WHERE id = $1`,
    [accountId, step, recoveryHashes],
  )
/** A code of this step was used: none of it or before it is taken again. */
export const usedTotp = (db: Db, accountId: string, step: number) =>
  execute(db, 'UPDATE account SET totp_step = $2 WHERE id = $1', [accountId, step])
export const usedRecovery = (db: Db, accountId: string, hash: string) =>
  execute(
    db,
    'UPDATE account SET recovery_hashes = array_remove(recovery_hashes, $2) WHERE id = $1',
    [accountId, hash],
  )
export const clearTotp = (db: Db, accountId: string) =>
  execute(
    db,
    `UPDATE account
      SET totp_secret = NULL,
        totp_on_at = NULL,
        totp_step = 0,
        recovery_hashes = '{}'
      WHERE id = $1`,
    [accountId],
  )
