import { z } from 'zod'
import { Conflict } from '#core/fault'
import { Password } from '#core/salon/model'
import { confirmSignature } from '../../../db/outcome.sql'
import { defineVisitDoor } from '../../../utils/door'
import { requirePassword } from '../../../utils/own'

/** Confirms one's own signature that came with a wrong PIN. */
export default defineVisitDoor(
  {
    can: 'sign',
    action: 'visit.confirm',
    body: z.strictObject({ password: Password }),
    before: (asked) => requirePassword(asked, asked.body.password),
  },
  async ({ db, account, visit }) => {
    if ((await confirmSignature(db, visit.id, account.id)) === 0)
      throw new Conflict({
        code: 'no_doubt',
        detail: 'Nothing of yours is to be confirmed here.',
      })
  },
)
