import { z } from 'zod'
import { NotFound } from '#core/fault'
import { writeAudit } from '../../../../db/access.sql'
import { archiveProduct } from '../../../../db/product.sql'
import { shelfId } from '../../../../utils/shelf'
import { defineDoor } from '../../../../utils/door'

const Body = z.strictObject({ archived: z.boolean() })

/** Puts a product away, or back. Cards that name it keep it; nothing new is chosen from it. */
export default defineDoor(
  { can: 'shelf.write', body: Body },
  async ({ db, event, account, body }) => {
    const { archived } = body
    if ((await archiveProduct(db, account.salon_id, shelfId(event), archived)) === 0)
      throw new NotFound({
        code: 'no_product',
        detail: 'There is no such product on this shelf.',
        path: 'id',
      })
    await writeAudit(
      db,
      account.id,
      archived ? 'product.archive' : 'product.restore',
      'product',
      shelfId(event),
    )
  },
)
