import { z } from 'zod'
import { Password } from '#core/salon/model'
import { writeAudit } from '../../../db/access.sql'
import { clearTotp } from '../../../db/second-step.sql'
import { requireHome } from '../../../utils/branches'
import { defineDoor } from '../../../utils/door'
import { requirePassword } from '../../../utils/own'

const Body = z.strictObject({ password: Password })

/** Turns one's own second step off. */
export default defineDoor(
  { can: 'own.write', body: Body, before: (asked) => requirePassword(asked, asked.body.password) },
  async ({ db, account }) => {
    await requireHome(db, { ...account, homeId: account.home_id })
    await clearTotp(db, account.id)
    await writeAudit(db, account.id, 'person.second_step_off', 'account', account.id)
  },
)
