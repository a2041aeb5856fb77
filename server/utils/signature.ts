import type { PoolClient } from 'pg'
import { Conflict } from '#core/fault'
import type { Letter } from '#core/formats'
import type { Account } from '../db/access.sql'
import { pinIn, pinTry } from './pins'

/**
 * Why a signature cannot be taken for its owner's own, in a sentence; undefined where it can. On a tablet a signature carries the PIN; one that was
 * given without a network may carry a wrong one: it is kept all the same, and confirmed by password.
 */
export async function signatureDoubt(
  db: PoolClient,
  account: Account,
  visitId: string,
  letter: Letter | undefined,
): Promise<string | undefined> {
  if (!letter) {
    if (account.tablet_id !== null && account.has_pin) throw isWanted()
    return undefined
  }
  const pin = pinIn(letter, visitId)
  return pin === undefined ? 'Its PIN could not be read.' : pinTry(db, account.id, pin)
}

const isWanted = () =>
  new Conflict({
    code: 'pin_wanted',
    detail: 'On a tablet a visit is signed with your PIN. Nothing was signed.',
    path: 'pin',
  })
