import { z } from 'zod'
import { Role } from '#core/salon/model'
import { many, maybeOne, type Db } from './rows'

// Several salons of one house: who works in which.

const OwnSalon = z.object({
  accountId: z.string(),
  salonId: z.string(),
  name: z.string(),
  role: Role,
})
/** The salons in which the person of an account works, the first one first. */
export const salonsOf = (db: Db, accountId: string) =>
  many(
    db,
    OwnSalon,
    `SELECT account_id AS "accountId", salon_id AS "salonId", name, role
      FROM salons_of($1)`,
    [accountId],
  )

const Elsewhere = z.object({
  homeId: z.string(),
  name: z.string(),
  email: z.string(),
  salon: z.string(),
})
/** Who works in another salon that the person of this account owns, and not here yet. */
export const peopleElsewhere = (db: Db, accountId: string) =>
  many(
    db,
    Elsewhere,
    `SELECT home_id AS "homeId", name, email, salon
      FROM people_elsewhere($1)
      ORDER BY name, home_id`,
    [accountId],
  )

interface NewBranch {
  readonly id: string
  readonly name: string
  readonly timeZone: string
  readonly currency: string
}
/** Makes a branch, empty; false where whoever asks owns nothing. */
export const addBranch = async (
  db: Db,
  accountId: string,
  { id, name, timeZone, currency }: NewBranch,
): Promise<boolean> =>
  (await maybeOne(
    db,
    z.object({ made: z.boolean() }),
    'SELECT add_branch($1, $2, $3, $4, $5) AS made',
    [accountId, id, name, timeZone, currency],
  ))!.made
