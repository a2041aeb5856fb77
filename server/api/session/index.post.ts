import type { H3Event } from 'h3'
import { z } from 'zod'
import { accountByEmail, type Account } from '../../db/access.sql'
import { inSalon } from '../../db/rows'
import { setPinFailures } from '../../db/tablet.sql'
import { passSecondStep } from '../../utils/second-step'
import { maySeeDemo, signIn } from '../../utils/access'
import { readJson } from '../../utils/body'
import { poolOf, type World } from '../../utils/db'
import { isLoopback } from '../../utils/outside'
import { hashPassword, verifyPassword } from '../../utils/password'
import { parsed, SignedOut } from '../../utils/problem'
import { countTry } from '../../utils/tries'

const Body = z.strictObject({
  email: z.email().max(200),
  password: z.string().min(1).max(200),
  /** Of the second step, once the password was right. */
  code: z.string().max(40).optional(),
})
// Compared against when the address is unknown, so that both answers take as long.
const nobody = hashPassword('nobody')

/** Signs in with a password. The try is counted before the password is looked at; demo accounts, whose password everybody knows, on this machine only. */
export default defineEventHandler(async (event) => {
  const { email, password, code } = parsed(Body, await readJson(event))
  const succeeded = await countTry(event, email)
  const found = await findAccount(event, email)
  const account = found?.account
  const good = await verifyPassword(password, account?.password_hash ?? (await nobody))
  if (!account || !good)
    throw new SignedOut({
      code: 'wrong',
      detail: 'Address or password is not right. Check both and try again.',
    })
  const { salon_id: salonId, id } = account
  await inSalon(poolOf(found!.world), salonId, async (db) => {
    await passSecondStep(db, id, code)
    // Whoever knows the password has their PIN again.
    await setPinFailures(db, id, 0)
  })
  await succeeded()
  await signIn(event, found!.world, account, 'password')
  return sendNoContent(event)
})

/** The account of an address: of one's own salon, else of the demo studio where it may be seen. */
async function findAccount(
  event: H3Event,
  email: string,
): Promise<{ world: World; account: Account } | undefined> {
  const own = await accountByEmail(poolOf('own'), email)
  if (own && (!own.demo || isLoopback(event))) return { world: 'own', account: own }
  const demo = maySeeDemo(event) ? await accountByEmail(poolOf('demo'), email) : undefined
  return demo && { world: 'demo', account: demo }
}
