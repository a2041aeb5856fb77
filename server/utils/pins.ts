import type { PoolClient } from 'pg'
import { z } from 'zod'
import type { Letter } from '#core/formats'
import { pinOf, setPinFailures } from '../db/tablet.sql'
import { opened, sessionOfPass } from './letters'
import { SignedOut } from './problem'
import { verifyPassword } from './password'

/** So often a PIN may be missed in a row; then the password opens, and gives the PIN back. */
export const MOST_PIN_TRIES = 5

/**
 * Checks a PIN and counts the try, one after the other: the account's row is locked meanwhile. Gives why not in a sentence; undefined: it is right.
 * The count is kept whatever comes of it, so that nothing is thrown here.
 */
export async function pinTry(
  db: PoolClient,
  accountId: string,
  pin: string,
): Promise<string | undefined> {
  const kept = await pinOf(db, accountId)
  if (!kept?.hash) return 'There is no PIN yet: sign in with your password, and choose one.'
  if (kept.failures >= MOST_PIN_TRIES) return TOO_OFTEN
  const isRight = await verifyPassword(pin, kept.hash)
  const failures = isRight ? 0 : kept.failures + 1
  if (failures !== kept.failures) await setPinFailures(db, accountId, failures)
  if (isRight) return undefined
  return failures >= MOST_PIN_TRIES ? TOO_OFTEN : 'That is not the PIN.'
}
const TOO_OFTEN = 'The PIN was missed five times. Sign in with your password; then it works again.'

export const wrongPin = (detail: string): SignedOut =>
  new SignedOut({ code: 'wrong_pin', detail, path: 'pin' })

const Typed = z.object({ pin: z.string().min(1).max(20) })

/** A PIN that a tablet sealed to the server under an id, so that it counts for that one thing; undefined where it cannot be read, or is for another. */
export function pinIn(letter: Letter, id: string): string | undefined {
  const text = letter.id === id ? opened(letter) : undefined
  return text && sessionOfPass(text.pass) && Typed.safeParse(text.body).data?.pin
}
