import { z } from 'zod'
import { Fact } from '#core/client/model'
import { Invalid } from '#core/fault'
import { setStage } from '../../../db/visit.sql'
import { takeFacts } from '../../../utils/facts'
import { faultsOf } from '../../../utils/fact-faults'
import { defineVisitDoor } from '../../../utils/door'

/** `seen`: what stood there when it was answered; null: nothing. Left out: nobody says. `own`: ids of the same tablet's answers to it since then. */
const Told = z.strictObject({
  id: z.uuid(),
  fact: Fact,
  seen: Fact.shape.answer.nullable().optional(),
  own: z.array(z.uuid()).max(400).optional(),
})

/** Appends dated answers. A date in the future is refused, but for a day to come: what has not happened is not a fact. Where another tablet was told something else meanwhile, both stay, and the question counts as not known until it is asked again. */
export default defineVisitDoor(
  {
    can: 'health.write',
    handed: 'visit',
    action: 'health.write',
    body: z.strictObject({
      facts: z.array(Told).min(1).max(400),
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
    await takeFacts(db, visit, account, body.facts)
    if (visit.stage === 'booked') await setStage(db, visit.id, 'open')
  },
)
