import { randomUUID } from 'node:crypto'
import { startClientImport } from '../../../db/clients.sql'
import { defineDoor } from '../../../utils/door'
import { created } from '../../../utils/reply'

/** Begins to take a file of clients in. Its rows wait apart until all of them are there. */
export default defineDoor({ can: 'client.files' }, async ({ db, event, account }) => {
  const id = randomUUID()
  await startClientImport(db, id, account.id)
  return created(event, { id })
})
