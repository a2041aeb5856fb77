import { z } from 'zod'
import { HomePlan } from '#core/homecare/model'
import { addHomePlan } from '../../../db/home.sql'
import { defineVisitDoor } from '../../../utils/door'
import { created } from '../../../utils/reply'

const Body = z.strictObject({ id: z.uuid(), plan: HomePlan })

/** A plan for home as it is given to the client: kept as it was told them, one version after another. */
export default defineVisitDoor(
  { can: 'health.write', body: Body, action: 'home.given' },
  async ({ db, event, account, visit, body }) => {
    await addHomePlan(db, body.id, visit, body.plan, account.id)
    return created(event, { id: body.id })
  },
)
