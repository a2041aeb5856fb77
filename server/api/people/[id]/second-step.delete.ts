import { clearTotp } from '../../../db/second-step.sql'
import { requireHome } from '../../../utils/branches'
import { defineDoor } from '../../../utils/door'
import { auditPerson, requirePerson } from '../../../utils/people'

/** For somebody who has lost phone and recovery codes: the next sign-in asks the password alone. */
export default defineDoor({ can: 'people.write' }, async ({ db, event, account }) => {
  const person = await requirePerson(db, event, account)
  await requireHome(db, person)
  await clearTotp(db, person.id)
  await auditPerson(db, account, 'second_step_off', person.id)
})
