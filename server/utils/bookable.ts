import { Conflict, NotFound } from '#core/fault'
import type { ProtocolVersion } from '#core/protocol'
import { newestVersion, protocolById } from '../db/protocol.sql'
import type { Db } from '../db/rows'

/** The published version of a card that is not put away; refused where there is none. */
export async function bookableVersion(
  db: Db,
  salonId: string,
  protocolId: string,
): Promise<ProtocolVersion> {
  const head = await protocolById(db, salonId, protocolId)
  if (head?.archived_at)
    throw new Conflict({
      code: 'archived',
      detail: `${head.name} is put away. Take it out again in Protocols, or choose another.`,
      path: 'protocolId',
    })
  const version = await newestVersion(db, salonId, protocolId)
  if (!version)
    throw new NotFound({
      code: 'no_protocol',
      detail: 'There is no such protocol.',
      path: 'protocolId',
    })
  return version
}
