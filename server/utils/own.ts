import { Invalid } from '#core/fault'
import type { H3Event } from 'h3'
import type { Account } from '../db/access.sql'
import { verifyPassword } from './password'
import { countTry } from './tries'

/** Whoever changes how they sign in says their password once more; tries are counted as at sign-in. Stands before a door's transaction. */
export async function requirePassword(
  { event, account }: { readonly event: H3Event; readonly account: Account },
  password: string,
  path = 'password',
): Promise<void> {
  const succeeded = await countTry(event, account.email)
  if (!(await verifyPassword(password, account.password_hash)))
    throw new Invalid({ code: 'wrong', detail: 'That is not your password.', path })
  await succeeded()
}
