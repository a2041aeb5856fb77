import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { NotFound } from '#core/fault'
import { Role } from '#core/salon/model'
import { peopleElsewhere } from '../../db/branch.sql'
import { addAccount, addPractitioner } from '../../db/people.sql'
import { defineDoor } from '../../utils/door'
import { auditPerson } from '../../utils/people'
import { created } from '../../utils/reply'

const Body = z.strictObject({ homeId: z.uuid(), role: Role, performs: z.boolean() })

/** Somebody of another salon of the house works here too, with a role of its own and the way in they have. */
export default defineDoor(
  { can: 'people.write', body: Body },
  async ({ db, event, account, body: { homeId, role, performs } }) => {
    const person = (await peopleElsewhere(db, account.id)).find((one) => one.homeId === homeId)
    if (!person)
      throw new NotFound({
        code: 'no_person',
        detail: 'Nobody of your other salons is meant, or they work here already.',
        path: 'homeId',
      })
    const { name, email } = person
    const salonId = account.salon_id
    const [id, practitionerId] = [randomUUID(), performs ? randomUUID() : null]
    if (practitionerId) await addPractitioner(db, { id: practitionerId, salonId, name })
    await addAccount(db, {
      ...{ id, salonId, email, name, role, practitionerId, homeId },
      passwordHash: '',
    })
    await auditPerson(db, account, 'from_elsewhere', id)
    return created(event, { id })
  },
)
