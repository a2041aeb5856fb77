import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { Password } from '#core/salon/model'
import { writeAudit } from '../../db/access.sql'
import { setSessionTablet } from '../../db/session.sql'
import { addTablet } from '../../db/tablet.sql'
import { currentSessionId } from '../../utils/access'
import { defineDoor } from '../../utils/door'
import { newToken, tokenHash } from '../../utils/token'
import { requirePassword } from '../../utils/own'
import { created } from '../../utils/reply'
import { passSecondStep } from '../../utils/second-step'
import { keepTablet } from '../../utils/tablet'

const Body = z.strictObject({
  name: z.string().trim().min(1).max(60),
  roomId: z.uuid().nullable(),
  password: Password,
  /** Of the second step, where it is on. */
  code: z.string().max(40).optional(),
})

/** Makes the browser that asks a tablet of the salon. The owner says the password once more, and the second step. */
export default defineDoor(
  {
    can: 'people.write',
    body: Body,
    before: (asked) => requirePassword(asked, asked.body.password),
  },
  async ({ db, event, account, body }) => {
    await passSecondStep(db, account.id, body.code)
    const [id, token] = [randomUUID(), newToken()]
    const { name, roomId } = body
    await addTablet(db, { id, name, roomId, tokenHash: tokenHash(token), by: account.id })
    await writeAudit(db, account.id, 'tablet.enrol', 'tablet', id)
    const sessionId = await currentSessionId(event)
    if (sessionId !== undefined) await setSessionTablet(db, sessionId, id)
    keepTablet(event, token)
    return created(event, { id })
  },
)
