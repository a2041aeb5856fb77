import { z } from 'zod'
import { writeAudit } from '../../../db/access.sql'
import { requireHome } from '../../../utils/branches'
import { defineDoor } from '../../../utils/door'
import { confirmSecondStep } from '../../../utils/second-step'

const Body = z.strictObject({ code: z.string().max(40) })

/** The first code turns the second step on. The codes to recover with are told this once. */
export default defineDoor({ can: 'own.write', body: Body }, async ({ db, account, body }) => {
  await requireHome(db, { ...account, homeId: account.home_id })
  const recovery = await confirmSecondStep(db, account.id, body.code)
  await writeAudit(db, account.id, 'person.second_step_on', 'account', account.id)
  return { recovery }
})
