import { licencesEnding } from '#core/salon'
import { listPeople } from '../../db/people.sql'
import { salonById } from '../../db/salon.sql'
import { defineDoor } from '../../utils/door'

/** Everybody who works here, what they may do, and which licences end. */
export default defineDoor({ can: 'people.write' }, async ({ db, account }) => {
  const { today } = (await salonById(db, account.salon_id))!
  const people = await listPeople(db, account.salon_id)
  return people.map((person) => ({ ...person, ending: licencesEnding(person.scope, today) }))
})
