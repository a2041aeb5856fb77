import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { Hazard, PersonName, Role, ScopeEntry } from '#core/salon/model'
import { addPractitioner, setPerson, setPractitioner, setScope } from '../../../db/people.sql'
import { defineDoor } from '../../../utils/door'
import { auditPerson, requireOtherOwner, requirePerson } from '../../../utils/people'

const Body = z.strictObject({
  name: PersonName,
  role: Role,
  performs: z.boolean(),
  hazards: z.array(Hazard).max(3),
  scope: z
    .array(ScopeEntry)
    .max(20)
    .refine((scope) => new Set(scope.map(({ technique }) => technique)).size === scope.length, {
      error: 'names a technique twice',
    }),
})

/** Writes what somebody is called, may do and has to mind. Who once performed stays a practitioner: past visits name them. */
export default defineDoor(
  { can: 'people.write', body: Body },
  async ({ db, event, account, body }) => {
    const person = await requirePerson(db, event, account)
    if (body.role !== 'owner') await requireOtherOwner(db, account, person)
    const { name, role, hazards, scope } = body
    const practitionerId = person.practitionerId ?? (body.performs ? randomUUID() : null)
    if (practitionerId && !person.practitionerId)
      await addPractitioner(db, { id: practitionerId, salonId: account.salon_id, name })
    await setPerson(db, person.id, { name, role, practitionerId })
    if (practitionerId) {
      await setPractitioner(db, practitionerId, { name, hazards })
      await setScope(db, practitionerId, scope)
    }
    await auditPerson(db, account, 'write', person.id)
  },
)
