import { z } from 'zod'
import { callOffSessionsOf } from '../../../db/access.sql'
import { setLeft, setLocked } from '../../../db/people.sql'
import { salonById } from '../../../db/salon.sql'
import { defineDoor } from '../../../utils/door'
import { auditPerson, requireOtherOwner, requirePerson } from '../../../utils/people'

const Body = z.union([
  z.strictObject({ locked: z.boolean() }),
  z.strictObject({ left: z.boolean() }),
])

/** Locks somebody out or lets them in again; writes down that somebody left or came back. Their sessions are called off at once. */
export default defineDoor(
  { can: 'people.write', body: Body },
  async ({ db, event, account, body }) => {
    const person = await requirePerson(db, event, account)
    const isOut = 'locked' in body ? body.locked : body.left
    if (isOut) {
      await requireOtherOwner(db, account, person)
      await callOffSessionsOf(db, person.id)
    }
    if ('locked' in body) {
      await setLocked(db, person.id, body.locked)
      await auditPerson(db, account, body.locked ? 'lock' : 'unlock', person.id)
    } else {
      const { today } = (await salonById(db, account.salon_id))!
      await setLeft(db, person.id, body.left, today)
      await auditPerson(db, account, body.left ? 'leave' : 'return', person.id)
    }
  },
)
