import { NotFound } from '#core/fault'
import { writeAudit } from '../../../../db/access.sql'
import { photoBytes } from '../../../../db/photo.sql'
import { defineVisitDoor, uuidParam } from '../../../../utils/door'

/** One photograph of the visit's client. Never kept by a cache that others share. */
export default defineVisitDoor({ can: 'health.read' }, async ({ db, event, account, visit }) => {
  const id = uuidParam(event, 'photoId')
  const photo = id && (await photoBytes(db, id, visit.client_id))
  if (!photo)
    throw new NotFound({
      code: 'no_photo',
      detail: 'There is no such photograph of this client.',
      path: 'photoId',
    })
  await writeAudit(db, account.id, 'photo.read', 'client', visit.client_id, { photo: id })
  setResponseHeaders(event, {
    'Content-Type': 'image/jpeg',
    'Content-Disposition': 'inline',
  })
  return photo.bytes
})
