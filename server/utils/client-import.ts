import { NotFound } from '#core/fault'
import type { H3Event } from 'h3'
import { hasClientImport } from '../db/clients.sql'
import type { Db } from '../db/rows'
import { uuidParam } from './door'

/** The import a path names, or 404: it is over after a day. */
export async function requireClientImport(db: Db, event: H3Event): Promise<string> {
  const id = uuidParam(event, 'id')
  if (id && (await hasClientImport(db, id))) return id
  throw new NotFound({
    code: 'no_import',
    detail: 'This import is over. Begin again with the file.',
    path: 'id',
  })
}
