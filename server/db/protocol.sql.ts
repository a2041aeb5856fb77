import { z } from 'zod'
import { Course, Step, type ProtocolVersion } from '#core/protocol/model'
import { execute, many, maybeOne, type Db } from './rows'

const Methods = z.record(z.string(), z.string())
const Listed = z.object({
  id: z.string(),
  name: z.string(),
  version: z.number().nullable(),
  published_at: z.date().nullable(),
  steps: z.array(Step),
  note: z.string().nullable(),
  archived_at: z.date().nullable(),
  draft_at: z.date().nullable(),
})
const Row = z.object({
  id: z.string(),
  protocol_id: z.string(),
  version: z.number(),
  name: z.string(),
  note: z.string(),
  steps: z.array(Step),
  methods: Methods,
  course: Course.nullable(),
})
const toVersion = (row: z.infer<typeof Row>): ProtocolVersion => ({
  id: row.id,
  protocolId: row.protocol_id,
  name: row.name,
  version: row.version,
  note: row.note,
  steps: row.steps,
  methods: row.methods,
  ...(row.course ? { course: row.course } : {}),
})
const VERSION = 'v.id, v.protocol_id, v.version, v.name, v.note, v.steps, v.methods, v.course'

/** Every protocol with its newest version, or its draft where nothing is published yet; put away ones too. */
export const listProtocols = (db: Db, salonId: string) =>
  many(
    db,
    Listed,
    `SELECT DISTINCT
        ON (p.id) p.id,
        COALESCE(v.name, d.name, p.name) AS name,
        v.version,
        v.published_at,
        COALESCE(v.steps, d.steps, '[]'::jsonb) AS steps,
        v.note,
        p.archived_at,
        d.saved_at AS draft_at
      FROM protocol p
        LEFT JOIN protocol_version v ON v.salon_id = p.salon_id AND v.protocol_id = p.id
        LEFT JOIN protocol_draft d ON d.protocol_id = p.id
      WHERE p.salon_id = $1
      ORDER BY p.id, v.version DESC`,
    [salonId],
  )

/** What can be booked: published and not put away. */
export const listBookable = (db: Db, salonId: string) =>
  many(
    db,
    z.object({ id: z.string(), name: z.string(), version_id: z.string() }),
    `SELECT DISTINCT ON (p.id) p.id, v.name, v.id AS version_id
      FROM protocol p
        JOIN protocol_version v ON v.salon_id = p.salon_id AND v.protocol_id = p.id
      WHERE p.salon_id = $1
        AND p.archived_at IS NULL
      ORDER BY p.id, v.version DESC`,
    [salonId],
  )

/** The newest version of every card that can be booked, whole. */
export async function bookableCards(db: Db, salonId: string): Promise<ProtocolVersion[]> {
  const rows = await many(
    db,
    Row,
    `SELECT DISTINCT ON (v.protocol_id) ${VERSION}
      FROM protocol_version v
        JOIN protocol p ON p.salon_id = v.salon_id AND p.id = v.protocol_id
      WHERE p.salon_id = $1
        AND p.archived_at IS NULL
      ORDER BY v.protocol_id, v.version DESC`,
    [salonId],
  )
  return rows.map(toVersion)
}

/** The newest version of a protocol, or undefined. */
export async function newestVersion(
  db: Db,
  salonId: string,
  protocolId: string,
): Promise<ProtocolVersion | undefined> {
  const row = await maybeOne(
    db,
    Row,
    `SELECT ${VERSION}
      FROM protocol_version v
        JOIN protocol p ON p.salon_id = v.salon_id AND p.id = v.protocol_id
      WHERE p.salon_id = $1
        AND p.id = $2
      ORDER BY v.version DESC
      LIMIT 1`,
    [salonId, protocolId],
  )
  return row && toVersion(row)
}

export async function versionById(
  db: Db,
  salonId: string,
  id: string,
): Promise<ProtocolVersion | undefined> {
  const row = await maybeOne(
    db,
    Row,
    `SELECT ${VERSION} FROM protocol_version v WHERE v.salon_id = $1 AND v.id = $2`,
    [salonId, id],
  )
  return row && toVersion(row)
}

/** Every published version of a protocol, the newest first, with when and by whom. */
export async function versionsOf(db: Db, salonId: string, protocolId: string) {
  const rows = await many(
    db,
    Row.extend({ published_at: z.date(), by: z.string().nullable() }),
    `SELECT ${VERSION}, v.published_at, a.name AS by
      FROM protocol_version v
        JOIN protocol p ON p.salon_id = v.salon_id AND p.id = v.protocol_id
        LEFT JOIN account a ON a.id = v.published_by
      WHERE p.salon_id = $1
        AND p.id = $2
      ORDER BY v.version DESC`,
    [salonId, protocolId],
  )
  return rows.map((row) => ({ ...toVersion(row), publishedAt: row.published_at, by: row.by }))
}

/** Publishes a version; a version number taken meanwhile violates the unique key. */
export const publishVersion = (db: Db, version: ProtocolVersion, accountId: string | null) =>
  execute(
    db,
    `INSERT INTO protocol_version (id, protocol_id, version, name, note, steps, methods, course, published_by)
      VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9)`,
    [
      version.id,
      version.protocolId,
      version.version,
      version.name,
      version.note,
      JSON.stringify(version.steps),
      JSON.stringify(version.methods ?? {}),
      version.course ? JSON.stringify(version.course) : null,
      accountId,
    ],
  )

export const addProtocol = (db: Db, salonId: string, id: string, name: string) =>
  execute(db, 'INSERT INTO protocol (id, salon_id, name) VALUES ($1, $2, $3)', [id, salonId, name])

const Head = z.object({ id: z.string(), name: z.string(), archived_at: z.date().nullable() })
export type ProtocolRow = z.infer<typeof Head>
/** A protocol of this salon, published or not. */
export const protocolById = (db: Db, salonId: string, id: string) =>
  maybeOne(
    db,
    Head,
    `SELECT id, name, archived_at
    FROM protocol
    WHERE salon_id = $1
      AND id = $2`,
    [salonId, id],
  )
/** A protocol that can be booked, by its newest name; null where there is none of that id. */
export async function protocolNamed(db: Db, salonId: string, id: string | undefined) {
  if (id === undefined) return null
  const named = (await listBookable(db, salonId)).find((other) => other.id === id)
  return named ? { id, name: named.name } : null
}
/** Puts a protocol away, or takes it out again. Visits that use it keep it. */
export const setArchived = (db: Db, id: string, archived: boolean) =>
  execute(
    db,
    `UPDATE protocol
    SET
      archived_at = CASE
        WHEN $2 THEN now()
      END
    WHERE id = $1`,
    [id, archived],
  )

/** A card in the making. Its steps are kept as typed, good or not yet. */
export const Draft = z.strictObject({
  basedOn: z.number().int().min(0),
  name: z.string().trim().min(1).max(120),
  steps: z.array(Step).max(60),
  methods: Methods,
  course: Course.nullable().default(null),
})
export type Draft = z.infer<typeof Draft>
const DraftRow = z.object({
  based_on: z.number(),
  name: z.string(),
  steps: z.array(Step),
  methods: Methods,
  course: Course.nullable(),
  saved_at: z.date(),
})

export async function draftOf(db: Db, protocolId: string) {
  const row = await maybeOne(
    db,
    DraftRow,
    `SELECT based_on, name, steps, methods, course, saved_at
      FROM protocol_draft
      WHERE protocol_id = $1`,
    [protocolId],
  )
  return (
    row && {
      basedOn: row.based_on,
      name: row.name,
      steps: row.steps,
      methods: row.methods,
      course: row.course,
      savedAt: row.saved_at,
    }
  )
}
export const saveDraft = (db: Db, protocolId: string, draft: Draft, accountId: string) =>
  execute(
    db,
    `INSERT INTO protocol_draft (protocol_id, based_on, name, steps, methods, course, saved_by)
      VALUES ($1, $2, $3, $4, $5, $6, $7)
      ON CONFLICT (salon_id, protocol_id) DO UPDATE
      SET
        based_on = $2,
        name = $3,
        steps = $4,
        methods = $5,
        course = $6,
        saved_by = $7,
        saved_at = now()`,
    [
      protocolId,
      draft.basedOn,
      draft.name,
      JSON.stringify(draft.steps),
      JSON.stringify(draft.methods),
      draft.course ? JSON.stringify(draft.course) : null,
      accountId,
    ],
  )
export const dropDraft = (db: Db, protocolId: string) =>
  execute(db, 'DELETE FROM protocol_draft WHERE protocol_id = $1', [protocolId])
