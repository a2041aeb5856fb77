import { z } from 'zod'
import { accountByEmail, recentFailures, recordAttempt } from '../../db/access.sql'
import { signIn } from '../../utils/access'
import { useDb } from '../../utils/db'
import { hashPassword, verifyPassword } from '../../utils/password'
import { readJson } from '../../utils/body'
import { parsed, SignedOut, TooMany } from '../../utils/problem'

const Body = z.strictObject({ email: z.email().max(200), password: z.string().min(1).max(200) })
const WINDOW_MINUTES = 15
const MOST_PER_EMAIL = 8
const MOST_PER_ADDRESS = 40
// Compared against when the address is unknown, so that both answers take as long.
const nobody = hashPassword('nobody')

export default defineEventHandler(async (event) => {
  const { email, password } = parsed(Body, await readJson(event))
  const address = getRequestIP(event) ?? 'unknown'
  const failures = await recentFailures(useDb(), email, address, WINDOW_MINUTES)
  if (failures.by_email >= MOST_PER_EMAIL || failures.by_address >= MOST_PER_ADDRESS) {
    setResponseHeader(event, 'Retry-After', WINDOW_MINUTES * 60)
    throw new TooMany({
      code: 'too_many',
      detail: `Too many tries. Wait ${WINDOW_MINUTES} minutes and try again.`,
    })
  }
  const account = await accountByEmail(useDb(), email)
  const good = await verifyPassword(password, account?.password_hash ?? (await nobody))
  await recordAttempt(useDb(), email, address, good && account !== undefined)
  if (!account || !good)
    throw new SignedOut({
      code: 'wrong',
      detail: 'Address or password is not right. Check both and try again.',
    })
  await signIn(event, account)
  return sendNoContent(event)
})
