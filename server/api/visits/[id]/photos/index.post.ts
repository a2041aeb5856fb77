import { z } from 'zod'
import { MAP_VIEWS } from '#core/skin'
import { Conflict, Invalid } from '#core/fault'
import { writeAudit } from '../../../../db/access.sql'
import { listConsents } from '../../../../db/consent.sql'
import { addPhoto, MOMENTS } from '../../../../db/photo.sql'
import { requireVisit } from '../../../../utils/access'
import { useDb } from '../../../../utils/db'
import { PHOTO_MOST_BYTES, reencoded } from '../../../../utils/picture'
import { BODY_MOST, readLimited } from '../../../../utils/body'
import { explainDatabase, parsed, TooLarge } from '../../../../utils/problem'
import { created } from '../../../../utils/reply'

const Fields = z.strictObject({
  id: z.uuid(),
  view: z.enum(MAP_VIEWS),
  moment: z.enum(MOMENTS),
  light: z.string().max(120),
})

/** Takes a photograph into the record: only with the client's signed consent for that, re-encoded and without metadata. */
export default defineEventHandler(async (event) => {
  const { account, visit } = await requireVisit(event, 'health.write')
  // Refused before it is read into memory, where the browser says how long it is.
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > PHOTO_MOST_BYTES + 100_000)
    throw new TooLarge({
      code: 'photo_too_large',
      detail: `At most ${PHOTO_MOST_BYTES / 1_048_576} MB are taken. Take the photograph again with a smaller size.`,
      path: 'photo',
    })
  const consents = await listConsents(useDb(), visit.client_id)
  if (!consents.some((consent) => consent.kind === 'photo-record' && consent.withdrawnOn === null))
    throw new Conflict({
      code: 'no_consent',
      detail:
        'The client has not signed the consent to photographs for the record. It is on Consult.',
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
  if (!file)
    throw new Invalid({
      code: 'no_photo',
      detail: 'There is no photograph in this upload.',
      path: 'photo',
    })
  const picture = await reencoded(file.data)
  try {
    await addPhoto(
      useDb(),
      { ...fields, ...picture, clientId: visit.client_id, visitId: visit.id },
      account.id,
    )
  } catch (error) {
    throw explainDatabase(error)
  }
  await writeAudit(useDb(), account.id, 'photo.write', 'client', visit.client_id, {
    visit: visit.id,
  })
  return created(event, { id: fields.id, width: picture.width, height: picture.height })
})
