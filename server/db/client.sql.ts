import { z } from 'zod'
import { Client, Concern, type Fact } from '../../core/client/model'
import { LeverUse, type PastVisit, SkinAnswer } from '../../core/climb/model'
import { change, many, maybeOne, type Db } from './rows'

const ISO = 'YYYY-MM-DD'
const orLeftOut = <T extends object>(row: T) => Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null))

const ClientRow = z.object({ id: z.string(), name: z.string(), born_on: z.string(), concerns: z.array(Concern), notes: z.array(z.string()) })

/** A client with every dated answer, memory and clearance, or undefined. Facts oldest first. */
export async function loadClient(db: Db, id: string): Promise<Client | undefined> {
  const row = await maybeOne(db, ClientRow, `SELECT id, name, to_char(born_on, '${ISO}') AS born_on, concerns, notes FROM client WHERE id = $1`, [id])
  if (!row) return undefined
  const facts = await many(db, z.record(z.string(), z.unknown()), `SELECT code, answer, to_char(asked_on, '${ISO}') AS "askedOn", to_char(happened_on, '${ISO}') AS "on", zones, reaction, note FROM health_fact WHERE client_id = $1 ORDER BY recorded_at, id`, [id])
  const memories = await many(db, z.record(z.string(), z.unknown()), `SELECT product_id AS "productId", memory, to_char(since, '${ISO}') AS "on", note FROM product_memory WHERE client_id = $1 ORDER BY product_id, memory`, [id])
  const clearances = await many(db, z.record(z.string(), z.unknown()), `SELECT clearance, given_by AS "by", to_char(given_on, '${ISO}') AS "on", to_char(until, '${ISO}') AS until FROM clearance WHERE client_id = $1 ORDER BY given_on`, [id])
  return Client.parse({ id: row.id, name: row.name, bornOn: row.born_on, concerns: row.concerns, notes: row.notes, facts: facts.map(orLeftOut), memories: memories.map(orLeftOut), clearances: clearances.map(orLeftOut) })
}

/** Appends one dated answer; earlier ones stay. Sent twice it is taken once; false when the id belongs to another client's answer. */
export async function addFact(db: Db, id: string, clientId: string, fact: Fact, accountId: string | null): Promise<boolean> {
  const added = await change(db, `INSERT INTO health_fact (id, client_id, code, answer, asked_on, happened_on, zones, reaction, note, recorded_by, recorded_at) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, clock_timestamp()) ON CONFLICT (id) DO NOTHING`,
    [id, clientId, fact.code, fact.answer, fact.askedOn, fact.on ?? null, fact.zones ?? null, fact.reaction ?? null, fact.note ?? null, accountId])
  return added === 1 || (await maybeOne(db, z.object({ id: z.string() }), 'SELECT id FROM health_fact WHERE id = $1 AND client_id = $2 AND code = $3', [id, clientId, fact.code])) !== undefined
}

const PastRow = z.object({ on: z.string(), levers: z.array(LeverUse), answer: SkinAnswer.nullable() })

/** Closed visits of a client before a day, oldest first: levers used and what the skin answered; a later check-in wins over the close. */
export async function loadHistory(db: Db, clientId: string, before: Date, timeZone: string): Promise<PastVisit[]> {
  return many(db, PastRow, `SELECT to_char(v.starts_at AT TIME ZONE $3, '${ISO}') AS "on", o.levers,
      COALESCE((SELECT c.answer FROM check_in c WHERE c.visit_id = v.id ORDER BY c.recorded_at DESC LIMIT 1), o.answer) AS answer
    FROM visit v JOIN outcome o ON o.visit_id = v.id WHERE v.client_id = $1 AND v.starts_at < $2 ORDER BY v.starts_at`, [clientId, before, timeZone])
}
