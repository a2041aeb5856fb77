import { z } from 'zod'
import { accountByEmail, attemptSucceeded, claimAttempt } from '../../db/access.sql'
import { inTransaction } from '../../db/rows'
import { signIn } from '../../utils/access'
import { readJson } from '../../utils/body'
import { useDb } from '../../utils/db'
import { isLoopback, outsideOf } from '../../utils/outside'
import { hashPassword, verifyPassword } from '../../utils/password'
import { parsed, SignedOut, TooMany } from '../../utils/problem'

const Body = z.strictObject({ email: z.email().max(200), password: z.string().min(1).max(200) })
// Compared against when the address is unknown, so that both answers take as long.
const nobody = hashPassword('nobody')

/** Signs in with a password. The try is counted before the password is looked at; demo accounts, whose password everybody knows, on this machine only. */
export default defineEventHandler(async (event) => {
  const { email, password } = parsed(Body, await readJson(event))
  const { address } = outsideOf(event)
  const attempt = await inTransaction(useDb(), (db) => claimAttempt(db, email, address))
  if ('waitS' in attempt) {
    setResponseHeader(event, 'Retry-After', attempt.waitS)
    throw tooMany(attempt.waitS)
  }
  const found = await accountByEmail(useDb(), email)
  const account = found?.demo && !isLoopback(event) ? undefined : found
  const good = await verifyPassword(password, account?.password_hash ?? (await nobody))
  if (!account || !good)
    throw new SignedOut({
      code: 'wrong',
      detail: 'Address or password is not right. Check both and try again.',
    })
  await attemptSucceeded(useDb(), attempt.id)
  await signIn(event, account)
  return sendNoContent(event)
})

function tooMany(waitS: number): TooMany {
  const minutes = Math.ceil(waitS / 60)
  const time = waitS < 90 ? `${waitS} seconds` : `${minutes} minutes`
  return new TooMany({
    code: 'too_many',
    detail: `Too many tries. Wait ${time} and try again.`,
  })
}
