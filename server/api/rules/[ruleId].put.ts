import { z } from 'zod'
import { isAdvice, RULE_BOOK, windowOf, type Rule } from '#core/safety'
import { Conflict, NotFound } from '#core/fault'
import { writeAudit } from '../../db/access.sql'
import { clearRule, setRule } from '../../db/rules.sql'
import { defineDoor } from '../../utils/door'

const Body = z.strictObject({
  adviceOff: z.boolean(),
  windowDays: z.number().int().min(0).max(3660).nullable(),
})

/** Sets one rule for the salon: advice switched off, or a window made longer. Nothing turns a stop off. */
export default defineDoor(
  { can: 'rules.write', body: Body },
  async ({ db, event, account, body: setting }) => {
    const ruleId = getRouterParam(event, 'ruleId')
    const rule = RULE_BOOK.find(({ id }) => id === ruleId)
    if (!rule)
      throw new NotFound({
        code: 'no_rule',
        detail: 'There is no such rule in the book.',
        path: 'ruleId',
      })
    requireAllowed(rule, setting)
    if (isAsInTheBook(rule, setting)) await clearRule(db, account.salon_id, rule.id)
    else await setRule(db, account.salon_id, rule.id, setting, account.id)
    await writeAudit(db, account.id, 'rule.set', 'rule', rule.id, setting)
  },
)

type Setting = z.infer<typeof Body>

const isAsInTheBook = (rule: Rule, { adviceOff, windowDays }: Setting): boolean =>
  !adviceOff && (windowDays === null || windowDays === windowOf(rule)?.days)

/** Throws a 409 for what no salon may set. */
function requireAllowed(rule: Rule, { adviceOff, windowDays }: Setting): void {
  if (adviceOff && !isAdvice(rule))
    throw new Conflict({
      code: 'never_off',
      detail: `Rule ${rule.id} does more than advise; it cannot be switched off.`,
      path: 'adviceOff',
    })
  if (windowDays === null) return
  const window = windowOf(rule)
  if (!window)
    throw new Conflict({
      code: 'no_window',
      detail: `Rule ${rule.id} has no window of days.`,
      path: 'windowDays',
    })
  if (windowDays < window.floor)
    throw new Conflict({
      code: 'below_floor',
      detail: `Rule ${rule.id} never goes below ${window.floor} days.`,
      path: 'windowDays',
    })
}
