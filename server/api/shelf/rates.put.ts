import { Rates } from '#core/costing/model'
import { writeAudit } from '../../db/access.sql'
import { setRates } from '../../db/money.sql'
import { defineDoor } from '../../utils/door'

/** What an hour costs, the wanted margin and the turnover. */
export default defineDoor(
  { can: 'rates.write', body: Rates },
  async ({ db, account, body: rates }) => {
    await setRates(db, account.salon_id, rates)
    await writeAudit(db, account.id, 'rates.write', 'salon', account.salon_id, rates)
  },
)
