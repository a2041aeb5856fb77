import { z } from 'zod'
import { IsoDate } from '../../../../../core/client/model'
import { withdrawConsent } from '../../../../db/consent.sql'
import { problem } from '../../../../utils/problem'
import { defineVisitChange } from '../../../../utils/visit-change'

/** Withdraws a consent from a day on; the signature and its words stay on record. */
export default defineVisitChange({ capability: 'health.write', action: 'consent.withdraw', body: z.strictObject({ on: IsoDate }) }, async ({ db, event, visit, body }) => {
  const id = getRouterParam(event, 'consentId') ?? ''
  const done = z.uuid().safeParse(id).success ? await withdrawConsent(db, id, visit.client_id, body.on) : 0
  if (done === 0) throw problem(404, { code: 'no_consent', detail: 'There is no such consent that still holds.', path: 'consentId' })
  return { saved: true }
})
