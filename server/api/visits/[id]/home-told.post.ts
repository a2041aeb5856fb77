import { z } from 'zod'
import { HomeTold } from '#core/homecare/model'
import { addHomeTold } from '../../../db/home.sql'
import { defineVisitDoor } from '../../../utils/door'
import { created } from '../../../utils/reply'

const Body = HomeTold.extend({ id: z.uuid() })

/** What the client uses at home, and whether they kept to their plan: appended, and the newest counts. */
export default defineVisitDoor(
  { can: 'health.write', body: Body, action: 'home.told' },
  async ({ db, event, account, visit, body }) => {
    const { id, ...told } = body
    await addHomeTold(db, id, visit, told, account.id)
    return created(event, { id })
  },
)
