import { constrain, RULE_BOOK, withSettings } from '#core/safety'
import { LEVERS } from '#core/protocol'
import { TOP_RUNG } from '#core/strength'
import { NOTHING_READ } from '#core/skin/model'
import { NotFound } from '#core/fault'
import { writeAudits } from '../../db/access.sql'
import { loadClient } from '../../db/client.sql'
import { loadHistory } from '../../db/history.sql'
import { loadRuleSettings } from '../../db/rules.sql'
import { lastReadingOf, listClients, salonById } from '../../db/salon.sql'
import { defineDoor } from '../../utils/door'

/** Clients whom a rule touches today, with what it rests on: facts, last reading and history as they stand. */
export default defineDoor({ can: 'health.read' }, async ({ db, event, account }) => {
  const rule = RULE_BOOK.find((rule) => rule.id === getRouterParam(event, 'ruleId'))
  if (!rule)
    throw new NotFound({
      code: 'no_rule',
      detail: 'There is no such rule in the book.',
      path: 'ruleId',
    })
  const salon = (await salonById(db, account.salon_id))!
  const settings = await loadRuleSettings(db, account.salon_id)
  const book = withSettings(RULE_BOOK, settings)
  const touched: { id: string; name: string; because: string[] }[] = []
  for (const { id, name } of await listClients(db, account.salon_id)) {
    const client = (await loadClient(db, id))!
    const { inForce } = constrain(book, {
      client,
      reading: (await lastReadingOf(db, id)) ?? NOTHING_READ,
      history: await loadHistory(db, id, new Date(), salon.time_zone),
      levers: LEVERS.map((lever) => ({ lever, rung: TOP_RUNG })),
      date: salon.today,
      daytime: true,
      majority: settings.majority,
      guardianStays: settings.guardianStays,
    })
    const because = [
      ...new Set(
        inForce
          .filter(
            (constraint) =>
              constraint.ruleId === rule.id &&
              constraint.because !== 'always' &&
              !constraint.unasked,
          )
          .map((constraint) => constraint.because),
      ),
    ]
    if (because.length > 0) touched.push({ id, name, because })
  }
  await writeAudits(
    db,
    account.id,
    'rule.touched',
    touched.map(({ id }) => id),
    { rule: rule.id },
  )
  return { clients: touched }
})
