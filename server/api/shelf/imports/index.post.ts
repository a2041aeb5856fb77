import { randomUUID } from 'node:crypto'
import { startImport } from '../../../db/import.sql'
import { created } from '../../../utils/reply'
import { defineDoor } from '../../../utils/door'

/** Begins an import. Its rows wait apart until all of them are there. */
export default defineDoor({ can: 'shelf.write' }, async ({ db, event, account }) => {
  const id = randomUUID()
  await startImport(db, account.salon_id, id, account.id)
  return created(event, { id })
})
