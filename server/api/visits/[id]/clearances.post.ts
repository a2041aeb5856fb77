import { z } from 'zod'
import { isToldOf } from '#core/adapt'
import { dayFault } from '#core/client'
import { Clearance } from '#core/client/model'
import { RULE_BOOK } from '#core/safety'
import { Invalid } from '#core/fault'
import { addClearance } from '../../../db/evidence.sql'
import { daysOf, refuseEvidence } from '../../../utils/fact-faults'
import { defineVisitDoor } from '../../../utils/door'
import { created } from '../../../utils/reply'

const wanted = new Set(
  RULE_BOOK.flatMap((rule) =>
    rule.effects.flatMap((effect) =>
      effect.unless?.kind === 'clearance' ? [effect.unless.id] : [],
    ),
  ),
)

const referring = RULE_BOOK.filter(({ effects }) =>
  effects.some(({ effect }) => effect === 'refer'),
).map(({ id }) => id)
const LONGEST_TOLD = 1000
/** That the client was told what a physician should see, of a rule that refers, for its cause. */
const isTold = (id: string): boolean =>
  id.length <= LONGEST_TOLD && referring.some((ruleId) => isToldOf(id, ruleId))

/**
 * Records a clearance with who gave it, when and until when: from then on the rule is a caution. Or that the client was told of what a
 * physician should see, and who looks after it: from then on the referral is quiet, and the zone stays left out.
 */
export default defineVisitDoor(
  {
    can: 'health.write',
    action: 'clearance.write',
    body: z.strictObject({ id: z.uuid(), clearance: Clearance }),
  },
  async ({ db, event, account, visit, body }) => {
    const { clearance } = body
    if (!wanted.has(clearance.clearance) && !isTold(clearance.clearance))
      throw new Invalid({
        code: 'unknown_clearance',
        detail: `No rule asks for a clearance "${clearance.clearance}".`,
        path: 'clearance.clearance',
      })
    if (clearance.until !== undefined && clearance.until < clearance.on)
      throw new Invalid({
        code: 'ends_before',
        detail: 'The clearance ends before it was given. Check both dates.',
        path: 'clearance.until',
      })
    refuseEvidence(dayFault(clearance.on, 'on', await daysOf(db, visit)), 'clearance')
    await addClearance(db, body.id, visit.client_id, clearance, account.id)
    return created(event, { id: body.id })
  },
)
