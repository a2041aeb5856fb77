import { stat } from 'node:fs/promises'
import type { H3Event } from 'h3'
import { z } from 'zod'
import { MAP_VIEWS } from '#core/skin'
import { Conflict } from '#core/fault'
import { listConsents } from '../../../../db/consent.sql'
import { addPhoto, MOMENTS } from '../../../../db/photo.sql'
import { defineVisitDoor } from '../../../../utils/door'
import { parsed, WrongType } from '../../../../utils/problem'
import { badForm, dropped, readUpload, type Upload } from '../../../../utils/upload'
import { inWorker } from '../../../../utils/work'
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

/** The fields of the form and the picture in it, decoded and drawn anew beside the server's own thread. */
async function readPhoto(event: H3Event): Promise<unknown> {
  const upload = await readUpload(event, 'photo')
  try {
    const { id, view, moment, light = '' } = upload.fields
    const fields = parsed(Fields, { id, view, moment, light })
    return { ...fields, picture: await pictureOf(upload) }
  } finally {
    await dropped(upload)
  }
}

async function pictureOf({ file }: Upload) {
  if (!file || (await stat(file)).size === 0) throw badForm()
  const drawn = await inWorker('photo', file)
  if ('refused' in drawn)
    throw new WrongType({
      code: 'not_a_photo',
      detail: `This file is no photograph that can be read (${drawn.refused}). Use JPEG, PNG, WebP or AVIF.`,
      path: 'photo',
    })
  return { ...drawn, bytes: Buffer.from(drawn.bytes) }
}
