import { z } from 'zod'
import { Password } from '#core/salon/model'
import { endOtherSessions, writeAudit } from '../../db/access.sql'
import { setPassword } from '../../db/people.sql'
import { currentSessionId } from '../../utils/access'
import { requireHome } from '../../utils/branches'
import { defineDoor } from '../../utils/door'
import { newPasswordHash } from '../../utils/new-password'
import { requirePassword } from '../../utils/own'

const Body = z.strictObject({ old: Password, password: Password })

/** One's own new password. Other devices are signed out; this one stays. */
export default defineDoor(
  {
    can: 'own.write',
    body: Body,
    before: (asked) => requirePassword(asked, asked.body.old, 'old'),
  },
  async ({ db, event, account, body }) => {
    await requireHome(db, { ...account, homeId: account.home_id })
    const about = [account.name, account.email]
    const hash = await newPasswordHash(body.password, about, 'password')
    await setPassword(db, account.id, hash)
    const here = (await currentSessionId(event)) ?? ''
    await endOtherSessions(db, account.id, here)
    await writeAudit(db, account.id, 'person.password', 'account', account.id)
  },
)
