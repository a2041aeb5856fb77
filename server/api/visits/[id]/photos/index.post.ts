import { getRequestHeader, readMultipartFormData, type H3Event } from 'h3'
import { z } from 'zod'
import { MAP_VIEWS } from '#core/skin'
import { Conflict, Invalid } from '#core/fault'
import { listConsents } from '../../../../db/consent.sql'
import { addPhoto, MOMENTS } from '../../../../db/photo.sql'
import { defineVisitDoor } from '../../../../utils/door'
import { PHOTO_MOST_BYTES, reencoded } from '../../../../utils/picture'
import { BODY_MOST, readLimited } from '../../../../utils/body'
import { parsed, TooLarge } from '../../../../utils/problem'
import { created } from '../../../../utils/reply'

const Fields = z.strictObject({
  id: z.uuid(),
  view: z.enum(MAP_VIEWS),
  moment: z.enum(MOMENTS),
  light: z.string().max(120),
})

const Body = Fields.extend({
  picture: z.object({
    bytes: z.instanceof(Buffer),
    width: z.number(),
    height: z.number(),
  }),
})

/** Takes a photograph into the record: only with the client's signed consent for that, re-encoded and without metadata. */
export default defineVisitDoor(
  { can: 'health.write', body: Body, read: readPhoto, action: 'photo.write' },
  async ({ db, event, account, visit, body }) => {
    const consents = await listConsents(db, visit.client_id)
    if (
      !consents.some((consent) => consent.kind === 'photo-record' && consent.withdrawnOn === null)
    )
      throw new Conflict({
        code: 'no_consent',
        detail:
          'The client has not signed the consent to photographs for the record. It is on Consult.',
      })
    const { picture, ...fields } = body
    const { bytes, width, height } = picture
    await addPhoto(
      db,
      { ...fields, bytes, width, height, clientId: visit.client_id, visitId: visit.id },
      account.id,
    )
    return created(event, { id: fields.id, width, height })
  },
)

/** The fields of the form and the picture in it, decoded and drawn anew. */
async function readPhoto(event: H3Event): Promise<unknown> {
  // Refused before it is read into memory, where the browser says how long it is.
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > PHOTO_MOST_BYTES + 100_000)
    throw new TooLarge({
      code: 'photo_too_large',
      detail: `At most ${PHOTO_MOST_BYTES / 1_048_576} MB are taken. Take the photograph again with a smaller size.`,
      path: 'photo',
    })
  // Read within its limits first: the parser of parts would take whatever comes.
  Object.assign(event.node.req, { rawBody: await readLimited(event, BODY_MOST.photo) })
  const parts = (await readMultipartFormData(event)) ?? []
  const text = (name: string) => parts.find((part) => part.name === name)?.data.toString('utf8')
  const fields = parsed(Fields, {
    id: text('id'),
    view: text('view'),
    moment: text('moment'),
    light: text('light') ?? '',
  })
  const file = parts.find((part) => part.name === 'photo')
  if (!file || file.data.length === 0)
    throw new Invalid({
      code: 'no_photo',
      detail: 'There is no photograph in this upload.',
      path: 'photo',
    })
  return { ...fields, picture: await reencoded(file.data) }
}
