import { Invalid } from '#core/fault'
import type { H3Event } from 'h3'
import type { Letter } from '#core/formats'
import type { Account } from '../db/access.sql'
import { inSalon } from '../db/rows'
import { useDb } from './db'
import { verifyPassword } from './password'
import { pinIn, pinTry } from './pins'
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

/** What somebody says to be themselves: one of these. */
interface Said {
  readonly password?: string | undefined
  readonly pin?: string | undefined
  /** A PIN that was typed without a network. */
  readonly sealed?: Letter | undefined
}
/** Who holds the tablet says that it is still them: by PIN on a tablet of the salon, else by password. Stands before a door's transaction. */
export async function requireSelf(
  asked: { readonly event: H3Event; readonly account: Account },
  { sealed, password, ...said }: Said,
): Promise<void> {
  const { event, account } = asked
  if (password !== undefined) return requirePassword(asked, password)
  const pin = (sealed ? pinIn(sealed, account.id) : said.pin) ?? ''
  const refusal =
    account.tablet_id === null
      ? 'A PIN opens tablets of the salon alone. Type your password.'
      : await inSalon(useDb(event), account.salon_id, (db) => pinTry(db, account.id, pin))
  if (refusal !== undefined) throw new Invalid({ code: 'wrong_pin', detail: refusal, path: 'pin' })
}
