import { z } from 'zod'
import { Step, type ProtocolVersion } from '../../core/protocol/model'
import { change, many, maybeOne, type Db } from './rows'

const Listed = z.object({ id: z.string(), name: z.string(), version: z.number(), version_id: z.string(), published_at: z.date(), steps: z.array(Step) })
const Row = z.object({ id: z.string(), protocol_id: z.string(), version: z.number(), name: z.string(), note: z.string(), steps: z.array(Step) })
const toVersion = (row: z.infer<typeof Row>): ProtocolVersion => ({ id: row.id, protocolId: row.protocol_id, name: row.name, version: row.version, note: row.note, steps: row.steps })

/** Every protocol with its newest version, by name. */
export const listProtocols = (db: Db, salonId: string) => many(db, Listed,
  `SELECT DISTINCT ON (p.id) p.id, v.name, v.version, v.id AS version_id, v.published_at, v.steps FROM protocol p JOIN protocol_version v ON v.protocol_id = p.id
    WHERE p.salon_id = $1 ORDER BY p.id, v.version DESC`, [salonId])

/** The newest version of a protocol, or undefined. */
export async function newestVersion(db: Db, salonId: string, protocolId: string): Promise<ProtocolVersion | undefined> {
  const row = await maybeOne(db, Row, `SELECT v.id, v.protocol_id, v.version, v.name, v.note, v.steps FROM protocol_version v JOIN protocol p ON p.id = v.protocol_id
    WHERE p.salon_id = $1 AND p.id = $2 ORDER BY v.version DESC LIMIT 1`, [salonId, protocolId])
  return row && toVersion(row)
}

export async function versionById(db: Db, id: string): Promise<ProtocolVersion | undefined> {
  const row = await maybeOne(db, Row, 'SELECT id, protocol_id, version, name, note, steps FROM protocol_version WHERE id = $1', [id])
  return row && toVersion(row)
}

/** Publishes a version; a version number taken meanwhile violates the unique key. */
export const publishVersion = (db: Db, version: ProtocolVersion, accountId: string | null) =>
  change(db, 'INSERT INTO protocol_version (id, protocol_id, version, name, note, steps, published_by) VALUES ($1, $2, $3, $4, $5, $6, $7)',
    [version.id, version.protocolId, version.version, version.name, version.note, JSON.stringify(version.steps), accountId])

export const addProtocol = (db: Db, salonId: string, id: string, name: string) => change(db, 'INSERT INTO protocol (id, salon_id, name) VALUES ($1, $2, $3)', [id, salonId, name])
