import { z } from 'zod'
import { NotFound } from '#core/fault'
import { writeAudit } from '../../../../db/access.sql'
import { archiveProduct } from '../../../../db/product.sql'
import { requireCan } from '../../../../utils/access'
import { useDb } from '../../../../utils/db'
import { readJson } from '../../../../utils/body'
import { parsed } from '../../../../utils/problem'
import { shelfId } from '../../../../utils/shelf'

const Body = z.strictObject({ archived: z.boolean() })

/** Puts a product away, or back. Cards that name it keep it; nothing new is chosen from it. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'shelf.write')
  const { archived } = parsed(Body, await readJson(event))
  if ((await archiveProduct(useDb(), account.salon_id, shelfId(event), archived)) === 0)
    throw new NotFound({
      code: 'no_product',
      detail: 'There is no such product on this shelf.',
      path: 'id',
    })
  await writeAudit(
    useDb(),
    account.id,
    archived ? 'product.archive' : 'product.restore',
    'product',
    shelfId(event),
  )
  return sendNoContent(event)
})
