import { z } from 'zod'
import { Password } from '#core/salon/model'
import { callOffSessionsOf } from '../../../db/access.sql'
import { setPassword } from '../../../db/people.sql'
import { requireHome } from '../../../utils/branches'
import { defineDoor } from '../../../utils/door'
import { newPasswordHash } from '../../../utils/new-password'
import { auditPerson, requirePerson } from '../../../utils/people'

const Body = z.strictObject({ password: Password })

/** A password set together at the desk. Whoever was signed in with the old one is no more. */
export default defineDoor(
  { can: 'people.write', body: Body },
  async ({ db, event, account, body }) => {
    const person = await requirePerson(db, event, account)
    await requireHome(db, person)
    const about = [person.name, person.email]
    const hash = await newPasswordHash(body.password, about, 'password')
    await setPassword(db, person.id, hash)
    await callOffSessionsOf(db, person.id)
    await auditPerson(db, account, 'password', person.id)
  },
)
