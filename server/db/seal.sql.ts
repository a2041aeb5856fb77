import { createHash } from 'node:crypto'
import { z } from 'zod'
import { many, maybeOne, type Db } from './rows'

const Count = z.object({ sealed: z.number() })

/** Seals what is new in every salon's log; gives how many seals were made. */
export const sealAudit = async (db: Db): Promise<number> =>
  (await maybeOne(db, Count, 'SELECT seal_audit() AS sealed'))!.sealed

const Seal = z.object({
  id: z.coerce.number(),
  salonId: z.string(),
  prev: z.instanceof(Buffer),
  hash: z.instanceof(Buffer),
  rows: z.array(z.coerce.number()),
})
type Seal = z.infer<typeof Seal>
const Line = z.object({ id: z.coerce.number(), line: z.string() })
const Loose = z.object({ id: z.coerce.number(), isOld: z.boolean() })

/** What the log is worth: sentences that say what does not fit, and how many rows wait for their seal. */
export interface LogCheck {
  readonly faults: readonly string[]
  readonly seals: number
  readonly unsealed: number
  /** The newest seal of every salon, as it may be written down elsewhere. */
  readonly heads: readonly string[]
}

/** Reads every seal against the log, as a role that sees all salons. The hashes are made here, not where they were made the first time. */
export async function checkLog(db: Db): Promise<LogCheck> {
  const seals = await many(
    db,
    Seal,
    `SELECT id, salon_id AS "salonId", prev, hash, rows FROM audit_seal ORDER BY salon_id, id`,
  )
  const faults: string[] = []
  const heads = new Map<string, Buffer>()
  for (const seal of seals) {
    faults.push(...(await sealFaults(db, seal, heads.get(seal.salonId))))
    heads.set(seal.salonId, seal.hash)
  }
  const loose = await looseRows(db)
  const late = loose.filter((row) => row.isOld)
  return {
    faults: [...faults, ...late.map(({ id }) => `Row ${id} stands in no seal of its time.`)],
    seals: seals.length,
    unsealed: loose.length - late.length,
    heads: [...heads].map(([salonId, hash]) => `${salonId} ${hash.toString('hex')}`),
  }
}

async function sealFaults(db: Db, seal: Seal, before: Buffer | undefined): Promise<string[]> {
  const { id, prev, hash, rows } = seal
  const faults = prev.equals(before ?? Buffer.alloc(0))
    ? []
    : [`Seal ${id} does not follow the one before it.`]
  const lines = await many(
    db,
    Line,
    `SELECT a.id, audit_line(a) AS line FROM audit a WHERE a.id = ANY ($1) ORDER BY a.id`,
    [rows],
  )
  const there = new Set(lines.map((line) => line.id))
  const gone = rows.filter((row) => !there.has(row))
  if (gone.length > 0) return [...faults, `Of seal ${id} these rows are gone: ${gone.join(', ')}.`]
  const text = lines.map(({ line }) => line).join('\n')
  const made = createHash('sha256').update(prev).update(text).digest()
  if (!made.equals(hash))
    faults.push(`Seal ${id} does not fit its rows ${rows[0]} to ${rows.at(-1)}: one was changed.`)
  return faults
}

/** Rows in no seal; old is one that was written before the newest seal's last row, and by no transaction that still ran then. */
const looseRows = (db: Db) =>
  many(
    db,
    Loose,
    `WITH
        sealed AS (
          SELECT unnest(rows) AS id
          FROM audit_seal
        ),
        newest AS (
          SELECT DISTINCT ON (salon_id) salon_id, at, to_tx
          FROM audit_seal
          ORDER BY salon_id, id DESC
        )
      SELECT
        a.id,
        COALESCE(a.tx < n.to_tx, false) OR COALESCE(a.at < n.at - interval '1 hour', false) AS "isOld"
      FROM audit a
        LEFT JOIN newest n USING (salon_id)
      WHERE NOT EXISTS (SELECT FROM sealed s WHERE s.id = a.id)
      ORDER BY a.id`,
  )
