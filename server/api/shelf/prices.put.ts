import { z } from 'zod'
import { Minor } from '#core/catalog/model'
import { writeAudit } from '../../db/access.sql'
import { setPrice } from '../../db/money.sql'
import { defineDoor } from '../../utils/door'

const Body = z.strictObject({
  kind: z.enum(['protocol', 'add-on']),
  ref: z.string().min(1).max(80),
  priceMinor: Minor.nullable(),
  goingMinor: Minor.nullable(),
})

/** What is asked for a protocol or an enhancement, and what is asked for it nearby. */
export default defineDoor(
  { can: 'price.write', body: Body },
  async ({ db, account, body: price }) => {
    await setPrice(db, account.salon_id, price)
    await writeAudit(db, account.id, 'price.write', price.kind, price.ref, {
      priceMinor: price.priceMinor,
      goingMinor: price.goingMinor,
    })
  },
)
