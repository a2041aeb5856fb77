import { z } from 'zod'
import { Batch, Product } from '#core/catalog/model'
import { SHELF_COLUMNS } from '#core/csv'
import { NotFound } from '#core/fault'
import { hasImport, stageRows } from '../../../../db/import.sql'
import { BODY_MOST } from '../../../../utils/body'
import { shelfId } from '../../../../utils/shelf'
import { defineDoor } from '../../../../utils/door'

const MOST_AT_ONCE = 1000
const Row = z.strictObject({
  product: Product,
  columns: z.array(z.enum(SHELF_COLUMNS)),
  batch: Batch.optional(),
})
const Body = z.strictObject({
  from: z.number().int().min(0).max(200_000),
  rows: z.array(Row).min(1).max(MOST_AT_ONCE),
})

/** Some rows of an import, counted from `from`. Sent twice they are there once. */
export default defineDoor(
  { can: 'shelf.write', body: Body, most: BODY_MOST.file },
  async ({ db, event, account, body }) => {
    const id = shelfId(event)
    if (!(await hasImport(db, account.salon_id, id)))
      throw new NotFound({
        code: 'no_import',
        detail: 'This import is over. Begin again with the file.',
        path: 'id',
      })
    const { from, rows } = body
    await stageRows(db, id, from, rows)
  },
)
