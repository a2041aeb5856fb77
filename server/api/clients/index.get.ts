import { z } from 'zod'
import { clientQuery } from '#core/client'
import { findClients } from '../../db/clients.sql'
import { defineDoor } from '../../utils/door'

const PAGE = 40
const Query = z.object({
  find: z.string().max(200).default(''),
  /** Where the page before went to. */
  afterName: z.string().max(200).optional(),
  afterId: z.uuid().optional(),
})

/** Clients by name, found while one types: by words of the name, digits of a number, or a birthday. A page at a time. */
export default defineDoor({ can: 'booking', query: Query }, async ({ db, query }) => {
  const { find, afterName, afterId } = query
  const after = afterId === undefined ? undefined : { name: afterName ?? '', id: afterId }
  const clients = await findClients(db, clientQuery(find), after, PAGE + 1)
  return { clients: clients.slice(0, PAGE), hasMore: clients.length > PAGE }
})
