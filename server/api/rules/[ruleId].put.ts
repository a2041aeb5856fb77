import { z } from 'zod'
import { isAdvice, RULE_BOOK, windowOf } from '#core/safety'
import { writeAudit } from '../../db/access.sql'
import { clearRule, setRule } from '../../db/rules.sql'
import { requireCan } from '../../utils/access'
import { useDb } from '../../utils/db'
import { parseOr400, problem } from '../../utils/problem'

const Body = z.strictObject({
  adviceOff: z.boolean(),
  windowDays: z.number().int().min(0).max(3660).nullable(),
})

/** Sets one rule for the salon: advice switched off, or a window made longer. Nothing turns a stop off. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'rules.write')
  const rule = RULE_BOOK.find((one) => one.id === getRouterParam(event, 'ruleId'))
  if (!rule)
    throw problem(404, {
      code: 'no_rule',
      detail: 'There is no such rule in the book.',
      path: 'ruleId',
    })
  const { adviceOff, windowDays } = parseOr400(Body, await readBody(event))
  const window = windowOf(rule)
  if (adviceOff && !isAdvice(rule))
    throw problem(409, {
      code: 'never_off',
      detail: `Rule ${rule.id} does more than advise; it cannot be switched off.`,
      path: 'adviceOff',
    })
  if (windowDays !== null && !window)
    throw problem(409, {
      code: 'no_window',
      detail: `Rule ${rule.id} has no window of days.`,
      path: 'windowDays',
    })
  if (windowDays !== null && window && windowDays < window.floor)
    throw problem(409, {
      code: 'below_floor',
      detail: `Rule ${rule.id} never goes below ${window.floor} days.`,
      path: 'windowDays',
    })
  const plain = !adviceOff && (windowDays === null || windowDays === window?.days)
  if (plain) await clearRule(useDb(), account.salon_id, rule.id)
  else await setRule(useDb(), account.salon_id, rule.id, { adviceOff, windowDays }, account.id)
  await writeAudit(useDb(), account.id, 'rule.set', 'rule', rule.id, { adviceOff, windowDays })
  return { saved: true }
})
