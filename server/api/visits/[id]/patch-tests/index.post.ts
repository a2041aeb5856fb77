import { z } from 'zod'
import { patchTestFault } from '#core/client'
import { PatchTest } from '#core/client/model'
import { Invalid } from '#core/fault'
import { addPatchTest } from '../../../../db/evidence.sql'
import { productOf } from '../../../../db/product.sql'
import { daysOf, refuseEvidence } from '../../../../utils/fact-faults'
import { defineVisitDoor } from '../../../../utils/door'
import { created } from '../../../../utils/reply'

/** Places a patch test: quick (read at once) or delayed (read after 24 to 48 hours). */
export default defineVisitDoor(
  {
    can: 'health.write',
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
    refuseEvidence(patchTestFault(test, await daysOf(db, visit)), 'test')
    await addPatchTest(db, body.id, visit.client_id, test, account.id)
    return created(event, { id: body.id })
  },
)
