import { z } from 'zod'
import { Password } from '#core/salon/model'
import { requireHome } from '../../../utils/branches'
import { defineDoor } from '../../../utils/door'
import { requirePassword } from '../../../utils/own'
import { offerSecondStep } from '../../../utils/second-step'

const Body = z.strictObject({ password: Password })

/** Begins a second step: a secret for the phone. One that was on is off until the new one has given its first code. */
export default defineDoor(
  { can: 'own.write', body: Body, before: (asked) => requirePassword(asked, asked.body.password) },
  async ({ db, account }) => {
    await requireHome(db, { ...account, homeId: account.home_id })
    return offerSecondStep(db, account.id, account.email)
  },
)
