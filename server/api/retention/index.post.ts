import { z } from 'zod'
import { Conflict } from '#core/fault'
import { Password } from '#core/salon/model'
import { writeAudit } from '../../db/access.sql'
import { clientsPast, eraseClient, erasePhotos, photosPast } from '../../db/rights.sql'
import { salonById } from '../../db/salon.sql'
import { defineDoor } from '../../utils/door'
import { noteErasuresAfter } from '../../utils/copies'
import { requirePassword } from '../../utils/own'

const MOST = 500
const Body = z.strictObject({
  clients: z.array(z.uuid()).max(MOST),
  /** Whose photographs go. */
  photosOf: z.array(z.uuid()).max(MOST),
  password: Password,
})

/** Lets go of what was listed and chosen. Who has come in the meantime is no longer on the list, and the whole is refused. */
export default defineDoor(
  {
    can: 'client.rights',
    body: Body,
    before: (asked) => requirePassword(asked, asked.body.password),
  },
  async ({ db, event, account, body }) => {
    noteErasuresAfter(event)
    const { choices } = (await salonById(db, account.salon_id))!
    const { recordYears, photoYears } = choices.keep
    const due = await clientsPast(db, account.salon_id, recordYears, MOST)
    const photos = await photosPast(db, account.salon_id, photoYears, MOST)
    requireAllOf(
      body.clients,
      due.map(({ id }) => id),
    )
    requireAllOf(
      body.photosOf,
      photos.map(({ clientId }) => clientId),
    )
    const ids = photos.flatMap((found) => (body.photosOf.includes(found.clientId) ? found.ids : []))
    const erasedPhotos = await erasePhotos(db, ids)
    for (const clientId of body.photosOf)
      await writeAudit(db, account.id, 'client.photos_erased', 'client', clientId)
    for (const id of body.clients) {
      await eraseClient(db, id, account.id, 'retention')
      await writeAudit(db, account.id, 'client.erase', 'client', id, { why: 'retention' })
    }
    return { clients: body.clients.length, photos: erasedPhotos }
  },
)

function requireAllOf(chosen: readonly string[], listed: readonly string[]) {
  if (chosen.every((id) => listed.includes(id))) return
  throw new Conflict({
    code: 'changed_meanwhile',
    detail: 'The list has changed meanwhile. Nothing has gone: look at it again.',
  })
}
