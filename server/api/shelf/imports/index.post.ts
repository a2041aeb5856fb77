import { randomUUID } from 'node:crypto'
import { startImport } from '../../../db/import.sql'
import { requireCan } from '../../../utils/access'
import { useDb } from '../../../utils/db'
import { created } from '../../../utils/reply'

/** Begins an import. Its rows wait apart until all of them are there. */
export default defineEventHandler(async (event) => {
  const account = await requireCan(event, 'shelf.write')
  const id = randomUUID()
  await startImport(useDb(), account.salon_id, id, account.id)
  return created(event, { id })
})
