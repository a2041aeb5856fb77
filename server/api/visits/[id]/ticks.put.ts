import { z } from 'zod'
import { setTick } from '../../../db/plan.sql'
import { defineVisitDoor } from '../../../utils/door'

const Body = z.strictObject({ itemId: z.string().max(160), ticked: z.boolean() })

export default defineVisitDoor({ can: 'perform', body: Body }, async ({ db, visit, body }) => {
  const { itemId, ticked } = body
  await setTick(db, visit.id, itemId, ticked)
})
