import { Invalid } from '#core/fault'
import { hashPassword } from './password'

/** The hash of a new password; refused with a sentence where it is too short or among the first that are tried. The word lists are loaded when they are needed. */
export async function newPasswordHash(
  password: string,
  about: readonly string[],
  path: string,
): Promise<string> {
  const { judgePassword } = await import('#core/passwords')
  const { refusal } = judgePassword(password, about)
  if (refusal) throw new Invalid({ code: 'weak_password', detail: refusal, path })
  return hashPassword(password)
}
