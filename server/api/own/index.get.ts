import { openSessionsOf } from '../../db/session.sql'
import { personById } from '../../db/people.sql'
import { currentSessionId } from '../../utils/access'
import { defineDoor } from '../../utils/door'

/** What one sees of oneself: how one signs in, and where one is signed in. */
export default defineDoor({ can: 'own.write' }, async ({ db, event, account }) => {
  const person = (await personById(db, account.salon_id, account.id))!
  const here = await currentSessionId(event)
  const sessions = await openSessionsOf(db, account.id)
  return {
    name: person.name,
    email: person.email,
    hasTotp: person.hasTotp,
    hasPin: person.hasPin,
    sessions: sessions.map((session) => ({ ...session, isHere: session.id === here })),
  }
})
