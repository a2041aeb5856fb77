import { randomUUID } from 'node:crypto'
import { z } from 'zod'
import { linkText } from '#core/messages'
import { addMessage } from '../../../db/message.sql'
import { salonById } from '../../../db/salon.sql'
import { worldOf } from '../../../utils/db'
import { defineDoor } from '../../../utils/door'
import { LINK_HOURS } from '../../../utils/links'
import { isShownOnly } from '../../../utils/messages'
import { outsideOf } from '../../../utils/outside'
import { auditPerson, requirePerson } from '../../../utils/people'

const Body = z.strictObject({
  /** Where the link leads that was just made: it is kept nowhere else. */
  path: z.string().regex(/^\/join\/[\w-]{20,100}$/, 'is no link of this salon'),
})

/** Sends somebody of the salon the link that sets their password. */
export default defineDoor(
  { can: 'people.write', body: Body },
  async ({ db, event, account, body }) => {
    const person = await requirePerson(db, event, account)
    const salon = (await salonById(db, account.salon_id))!
    const { host, isTls } = outsideOf(event)
    const purpose = person.isInvited ? 'invite' : 'reset'
    const text = linkText({
      ...{ salon: salon.name, name: person.name, hours: LINK_HOURS, purpose },
      url: `${isTls ? 'https' : 'http'}://${host}${body.path}`,
    })
    await addMessage(db, {
      ...{ id: randomUUID(), kind: purpose === 'invite' ? 'invitation' : 'password', ...text },
      ...{ accountId: person.id, to: person.email, by: account.id },
      isShown: isShownOnly(worldOf(event)),
    })
    await auditPerson(db, account, 'link_sent', person.id)
  },
)
