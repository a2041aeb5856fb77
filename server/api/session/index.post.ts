import { z } from 'zod'
import {
  accountByEmail,
  addAttempt,
  attemptSucceeded,
  lockAttempts,
  recentFailures,
} from '../../db/access.sql'
import { inTransaction } from '../../db/rows'
import { signIn } from '../../utils/access'
import { readJson } from '../../utils/body'
import { useDb } from '../../utils/db'
import { isLoopback, outsideOf } from '../../utils/outside'
import { hashPassword, verifyPassword } from '../../utils/password'
import { parsed, SignedOut, TooMany } from '../../utils/problem'
import { secondsToWait } from '../../utils/waits'

const Body = z.strictObject({ email: z.email().max(200), password: z.string().min(1).max(200) })
// Compared against when the address is unknown, so that both answers take as long.
const nobody = hashPassword('nobody')

/** Signs in with a password. The try is counted before the password is looked at; demo accounts, whose password everybody knows, on this machine only. */
export default defineEventHandler(async (event) => {
  const { email, password } = parsed(Body, await readJson(event))
  const { address } = outsideOf(event)
  const attempt = await claimAttempt(email, address)
  if (attempt.id === undefined) {
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

/** Counts a try before its password is looked at; where it has to wait, so many seconds, it is not one. */
const claimAttempt = (email: string, address: string): Promise<Claimed> =>
  inTransaction(useDb(), async (db) => {
    await lockAttempts(db, email, address)
    const waitS = secondsToWait(await recentFailures(db, email, address))
    return waitS > 0 ? { waitS } : { waitS, id: await addAttempt(db, email, address) }
  })
interface Claimed {
  readonly waitS: number
  readonly id?: string
}

function tooMany(waitS: number): TooMany {
  const minutes = Math.ceil(waitS / 60)
  const time = waitS < 90 ? `${waitS} seconds` : `${minutes} minutes`
  return new TooMany({
    code: 'too_many',
    detail: `Too many tries. Wait ${time} and try again.`,
  })
}
