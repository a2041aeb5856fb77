import { z } from 'zod'
import { PatchTest } from '#core/client/model'
import { Invalid } from '#core/fault'
import { addPatchTest } from '../../../../db/client.sql'
import { productOf } from '../../../../db/product.sql'
import { defineVisitChange } from '../../../../utils/visit-change'
import { created } from '../../../../utils/reply'

/** Places a patch test: quick (read at once) or delayed (read after 24 to 48 hours). */
export default defineVisitChange(
  {
    capability: 'health.write',
    action: 'patch_test.write',
    body: z.strictObject({ id: z.uuid(), test: PatchTest }),
  },
  async ({ db, event, account, visit, body }) => {
    const { test } = body
    if (!(await productOf(db, visit.salon_id, test.productId)))
      throw new Invalid({
        code: 'no_product',
        detail: 'There is no such product on the shelf.',
        path: 'test.productId',
      })
    if ((test.result === 'waiting') !== (test.readOn === undefined))
      throw new Invalid({
        code: 'half_read',
        detail: 'A test that has been read has a day and a result; one that waits has neither.',
        path: 'test.readOn',
      })
    await addPatchTest(db, body.id, visit.client_id, test, account.id)
    return created(event, { id: body.id })
  },
)
