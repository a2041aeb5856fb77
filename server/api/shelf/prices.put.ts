import { z } from 'zod'
import { Minor } from '#core/catalog/model'
import { writeAudit } from '../../db/access.sql'
import { setPrice } from '../../db/money.sql'
import { requireCan } from '../../utils/access'
import { useDb } from '../../utils/db'
import { readJson } from '../../utils/body'
import { parsed } from '../../utils/problem'

const Body = z.strictObject({
  kind: z.enum(['protocol', 'add-on']),
  ref: z.string().min(1).max(80),
  priceMinor: Minor.nullable(),
  goingMinor: Minor.nullable(),
})

/** What is asked for a protocol or an enhancement, and what is asked for it nearby. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'price.write')
  const price = parsed(Body, await readJson(event))
  await setPrice(useDb(), account.salon_id, price)
  await writeAudit(useDb(), account.id, 'price.write', price.kind, price.ref, {
    priceMinor: price.priceMinor,
    goingMinor: price.goingMinor,
  })
  return sendNoContent(event)
})
