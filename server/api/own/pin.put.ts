import { z } from 'zod'
import { Invalid } from '#core/fault'
import { pinRefusal } from '#core/salon'
import { Password } from '#core/salon/model'
import { writeAudit } from '../../db/access.sql'
import { setPin } from '../../db/tablet.sql'
import { defineDoor } from '../../utils/door'
import { requirePassword } from '../../utils/own'
import { hashPassword } from '../../utils/password'

const Body = z.strictObject({ pin: z.string().max(20), password: Password })

/** One's own PIN, for the salon's tablets. */
export default defineDoor(
  { can: 'own.write', body: Body, before: (asked) => requirePassword(asked, asked.body.password) },
  async ({ db, account, body }) => {
    const refusal = pinRefusal(body.pin)
    if (refusal) throw new Invalid({ code: 'weak_pin', detail: refusal, path: 'pin' })
    await setPin(db, account.id, await hashPassword(body.pin))
    await writeAudit(db, account.id, 'person.pin', 'account', account.id)
  },
)
