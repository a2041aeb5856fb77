import { z } from 'zod'
import { Fact } from '#core/client/model'
import { Invalid } from '#core/fault'
import { addFact } from '../../../db/client.sql'
import { setStage } from '../../../db/visit.sql'
import { faultsOf } from '../../../utils/fact-faults'
import { defineVisitDoor } from '../../../utils/door'

/** Appends dated answers. A date in the future is refused, but for a day to come: what has not happened is not a fact. */
export default defineVisitDoor(
  {
    can: 'health.write',
    handed: 'visit',
    action: 'health.write',
    body: z.strictObject({
      facts: z
        .array(z.strictObject({ id: z.uuid(), fact: Fact }))
        .min(1)
        .max(400),
    }),
  },
  async ({ db, account, visit, body }) => {
    const fault = (
      await faultsOf(
        db,
        visit,
        body.facts.map(({ fact }) => fact),
      )
    )[0]
    if (fault)
      throw new Invalid({
        code: fault.code,
        detail: fault.says,
        path: `facts.${fault.at}.fact.${fault.field}`,
      })
    for (const [at, { id, fact }] of body.facts.entries()) {
      await addFact(db, id, visit.client_id, fact, account.id, `facts.${at}.id`)
    }
    if (visit.stage === 'booked') await setStage(db, visit.id, 'open')
  },
)
