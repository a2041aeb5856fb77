import type { H3Event } from 'h3'
import { protocolById } from '../db/protocol.sql'
import { requireCan, type Capability } from './access'
import { useDb } from './db'
import { problem } from './problem'

/** The account and the protocol of a route below /api/protocols/:id, of the same salon; else 404. */
export async function requireProtocol(event: H3Event, capability: Capability) {
  const account = await requireCan(event, capability)
  const protocol = await protocolById(useDb(), account.salon_id, getRouterParam(event, 'id') ?? '')
  if (!protocol)
    throw problem(404, { code: 'no_protocol', detail: 'There is no such protocol.', path: 'id' })
  return { account, protocol }
}
