import { z } from 'zod'
import { dayFault } from '#core/client'
import { IsoDate } from '#core/client/model'
import { NotFound } from '#core/fault'
import { addFact } from '../../../../db/client.sql'
import { holdsConsent, listConsents, withdrawConsent } from '../../../../db/consent.sql'
import { defineVisitDoor, uuidParam } from '../../../../utils/door'
import { daysOf, refuseEvidence } from '../../../../utils/fact-faults'

/** Withdraws a consent from a day on; the signature and its words stay on record. With a guardian's last one the dated answer that rule A23 asks for goes too. */
export default defineVisitDoor(
  {
    can: 'health.write',
    action: 'consent.withdraw',
    body: z.strictObject({ on: IsoDate, factId: z.uuid() }),
  },
  async ({ db, event, visit, account, body }) => {
    const id = uuidParam(event, 'consentId')
    const held = (await listConsents(db, visit.client_id)).find(
      (consent) => consent.id === id && consent.withdrawnOn === null,
    )
    if (!held)
      throw new NotFound({
        code: 'no_consent',
        detail: 'There is no such consent that still holds.',
        path: 'consentId',
      })
    const { latest } = await daysOf(db, visit)
    refuseEvidence(dayFault(body.on, 'on', { earliest: held.signedOn, latest }))
    await withdrawConsent(db, held.id, visit.client_id, body.on)
    if (held.kind === 'guardian' && !(await holdsConsent(db, visit.client_id, 'guardian'))) {
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
