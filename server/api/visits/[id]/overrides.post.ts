import { z } from 'zod'
import { constraintsFor } from '#core/adapt'
import { Forbidden, NotFound } from '#core/fault'
import { writeAudit } from '../../../db/access.sql'
import { addOverride, withdrawOverride } from '../../../db/plan.sql'
import { compileInputOf } from '../../../utils/visit-input'
import { defineVisitDoor } from '../../../utils/door'

const Body = z.discriminatedUnion('do', [
  z.strictObject({
    do: z.literal('keep'),
    id: z.uuid(),
    ruleId: z.string().max(80),
    stepId: z.string().max(80),
    reason: z.string().trim().min(3).max(300),
  }),
  z.strictObject({
    do: z.literal('withdraw'),
    ruleId: z.string().max(80),
    stepId: z.string().max(80),
  }),
])

/** Keeps a step as written against a rule that allows it, with a reason; or takes that back. A stop cannot be waved through. */
export default defineVisitDoor(
  { can: 'health.write', body: Body },
  async ({ db, account, visit, body }) => {
    if (body.do === 'withdraw') await withdrawOverride(db, visit.id, body.ruleId, body.stepId)
    else {
      const rule = constraintsFor(await compileInputOf(db, visit)).inForce.filter(
        (constraint) => constraint.ruleId === body.ruleId,
      )
      if (rule.length === 0)
        throw new NotFound({
          code: 'not_in_force',
          detail: `Rule ${body.ruleId} is not in force for this visit.`,
          path: 'ruleId',
        })
      if (!rule.some((constraint) => constraint.overridable === 'reason'))
        throw new Forbidden({
          code: 'never',
          detail: `Rule ${body.ruleId} cannot be waved through. ${rule[0]!.instead}`,
          path: 'ruleId',
        })
      await addOverride(db, body.id, visit.id, body, account.name)
    }

    await writeAudit(db, account.id, `override.${body.do}`, 'client', visit.client_id, body)
  },
)
