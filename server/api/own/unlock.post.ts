import { z } from 'zod'
import { Letter } from '#core/formats'
import { Password } from '#core/salon/model'
import { writeAudit } from '../../db/access.sql'
import { handSession } from '../../db/session.sql'
import { currentSessionId } from '../../utils/access'
import { defineDoor } from '../../utils/door'
import { requireSelf } from '../../utils/own'

const Body = z
  .strictObject({
    pin: z.string().min(1).max(20).optional(),
    password: Password.optional(),
    sealed: Letter.optional(),
  })
  .refine((said) => Object.keys(said).length === 1, { error: 'say one of pin, password, sealed' })

/** Lifts the cover, or takes the tablet back from a client: whoever is signed in says that it is them. */
export default defineDoor(
  {
    can: 'own.write',
    handed: 'always',
    body: Body,
    before: (asked) => requireSelf(asked, asked.body),
  },
  async ({ db, event, account }) => {
    const sessionId = await currentSessionId(event)
    if (sessionId !== undefined) await handSession(db, sessionId, null)
    const { handed_visit_id: visit } = account
    await writeAudit(db, account.id, 'own.unlock', 'account', account.id, visit ? { visit } : {})
  },
)
