import { z } from 'zod'
import { dayFault } from '#core/client'
import { IsoDate } from '#core/client/model'
import { Invalid, NotFound } from '#core/fault'
import { addFact } from '../../../../db/client.sql'
import { addConsent, textById } from '../../../../db/consent.sql'
import { daysOf, refuseEvidence } from '../../../../utils/fact-faults'
import { defineVisitDoor } from '../../../../utils/door'
import { created } from '../../../../utils/reply'

/** What a signature pad draws: paths and circles with plain numbers, nothing else. */
const SIGNATURE =
  /^<svg [\w\s="\-:/.,;#()%]*>(?:<(?:path|circle) [\w\s="\-:.,;#()%]*\/?>(?:<\/(?:path|circle)>)?)*<\/svg>$/
/** At least one line that goes somewhere. */
const STROKE = /<path [^>]*\bd="M[^"]*[CLQSTHV]/i
const Body = z.strictObject({
  id: z.uuid(),
  factId: z.uuid(),
  textId: z.uuid(),
  signer: z.string().trim().min(2).max(120),
  relation: z.enum(['client', 'guardian']),
  signedOn: IsoDate,
  signature: z
    .string()
    .max(200_000)
    .regex(SIGNATURE, 'the signature is not a drawing of a signature pad')
    .regex(STROKE, 'nothing is drawn: sign first'),
})

/** Keeps a drawn signature with the exact words that were signed. A guardian's consent is the dated answer that rule A23 asks for, too. */
export default defineVisitDoor(
  { can: 'health.write', handed: 'visit', action: 'consent.sign', body: Body },
  async ({ db, event, account, visit, body }) => {
    const text = await textById(db, visit.salon_id, body.textId)
    if (!text)
      throw new NotFound({
        code: 'no_text',
        detail: 'There is no such consent text.',
        path: 'textId',
      })
    if (text.kind === 'guardian' && body.relation !== 'guardian')
      throw new Invalid({
        code: 'not_guardian',
        detail: 'The consent for a minor is signed by a guardian.',
        path: 'relation',
      })
    const { earliest, latest } = await daysOf(db, visit)
    const days = { latest, earliest: text.firstOn > earliest ? text.firstOn : earliest }
    refuseEvidence(dayFault(body.signedOn, 'signedOn', days))
    await addConsent(db, { ...body, clientId: visit.client_id, visitId: visit.id }, account.id)
    if (text.kind === 'guardian')
      await addFact(
        db,
        body.factId,
        visit.client_id,
        {
          code: 'guardian-consent',
          answer: 'yes',
          askedOn: body.signedOn,
          on: body.signedOn,
          note: body.signer,
        },
        account.id,
      )
    return created(event, { id: body.id })
  },
)
