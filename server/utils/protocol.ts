import type { H3Event } from 'h3'
import { NotFound } from '#core/fault'
import { protocolById } from '../db/protocol.sql'
import { requireCan } from './access'
import type { Capability } from './capabilities'
import { useDb } from './db'

/** The account and the protocol of a route below /api/protocols/:id, of the same salon; else 404. */
export async function requireProtocol(event: H3Event, capability: Capability) {
  const account = await requireCan(event, capability)
  const protocol = await protocolById(useDb(), account.salon_id, getRouterParam(event, 'id') ?? '')
  if (!protocol)
    throw new NotFound({ code: 'no_protocol', detail: 'There is no such protocol.', path: 'id' })
  return { account, protocol }
}
