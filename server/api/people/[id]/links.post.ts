import { requireHome } from '../../../utils/branches'
import { defineDoor } from '../../../utils/door'
import { makeLink } from '../../../utils/links'
import { auditPerson, requirePerson } from '../../../utils/people'
import { created } from '../../../utils/reply'

/** A link for somebody who has no password yet, or has lost it. Links made before work no more. */
export default defineDoor({ can: 'people.write' }, async ({ db, event, account }) => {
  const person = await requirePerson(db, event, account)
  await requireHome(db, person)
  const purpose = person.isInvited ? 'invite' : 'reset'
  const link = await makeLink(db, person.id, purpose, account.id)
  await auditPerson(db, account, `link_${purpose}`, person.id)
  return created(event, link)
})
