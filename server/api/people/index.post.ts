import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { Email, PersonName, Role } from '#core/salon/model'
import { addAccount, addPractitioner } from '../../db/people.sql'
import { defineDoor } from '../../utils/door'
import { makeLink } from '../../utils/links'
import { auditPerson } from '../../utils/people'
import { created } from '../../utils/reply'

const Body = z.strictObject({ name: PersonName, email: Email, role: Role, performs: z.boolean() })

/** Somebody new: an account that nobody can sign in with yet, and the link that sets its password. */
export default defineDoor(
  { can: 'people.write', body: Body },
  async ({ db, event, account, body }) => {
    const { name, email, role, performs } = body
    const salonId = account.salon_id
    const [id, practitionerId] = [randomUUID(), performs ? randomUUID() : null]
    if (practitionerId) await addPractitioner(db, { id: practitionerId, salonId, name })
    await addAccount(db, { id, salonId, email, name, role, practitionerId, passwordHash: '' })
    const link = await makeLink(db, id, 'invite', account.id)
    await auditPerson(db, account, 'invite', id)
    return created(event, { id, link })
  },
)
