import { loadRuleSettings } from '../../db/rules.sql'
import { defineDoor } from '../../utils/door'

/** What the salon has set in the rule book. The book itself ships with the application. */
export default defineDoor({ can: 'booking' }, ({ db, account }) => {
  return loadRuleSettings(db, account.salon_id)
})
