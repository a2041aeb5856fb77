import { z } from 'zod'
import { IsoDate } from '#core/client/model'
import { NotFound } from '#core/fault'
import { addFact } from '../../../../db/client.sql'
import { holdsConsent, withdrawConsent } from '../../../../db/consent.sql'
import { defineVisitChange } from '../../../../utils/visit-change'

/** Withdraws a consent from a day on; the signature and its words stay on record. With a guardian's last one the dated answer that rule A23 asks for goes too. */
export default defineVisitChange(
  {
    capability: 'health.write',
    action: 'consent.withdraw',
    body: z.strictObject({ on: IsoDate, factId: z.uuid() }),
  },
  async ({ db, event, visit, account, body }) => {
    const id = getRouterParam(event, 'consentId') ?? ''
    const withdrawn = z.uuid().safeParse(id).success
      ? await withdrawConsent(db, id, visit.client_id, body.on)
      : undefined
    if (!withdrawn)
      throw new NotFound({
        code: 'no_consent',
        detail: 'There is no such consent that still holds.',
        path: 'consentId',
      })
    if (withdrawn.kind === 'guardian' && !(await holdsConsent(db, visit.client_id, 'guardian'))) {
      await addFact(
        db,
        body.factId,
        visit.client_id,
        { code: 'guardian-consent', answer: 'no', askedOn: body.on, note: 'Consent withdrawn' },
        account.id,
      )
    }
  },
)
