import { z } from 'zod'
import {
  type Clearance,
  Client,
  Concern,
  type Fact,
  GoalDetails,
  PatchTest,
} from '#core/client/model'
import { execute, many, maybeOne, type Db } from './rows'

const ISO = 'YYYY-MM-DD'
const orLeftOut = <T extends object>(row: T) =>
  Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null))

const ClientRow = z.object({
  id: z.string(),
  name: z.string(),
  born_on: z.string(),
  concerns: z.array(Concern),
  goal_details: GoalDetails,
  notes: z.array(z.string()),
})

/** A client with every dated answer, memory and clearance, or undefined. Facts oldest first. */
export async function loadClient(db: Db, id: string): Promise<Client | undefined> {
  const row = await clientRow(db, id)
  if (!row) return undefined
  const patchTests = await listPatchTests(db, id)
  return Client.parse({
    id: row.id,
    name: row.name,
    bornOn: row.born_on,
    concerns: row.concerns,
    goalDetails: row.goal_details,
    notes: row.notes,
    facts: await listFacts(db, id),
    memories: await listMemories(db, id),
    clearances: await listClearances(db, id),
    patchTests: patchTests.map(({ id: _id, ...test }) => test),
  })
}

const clientRow = (db: Db, id: string) =>
  maybeOne(
    db,
    ClientRow,
    `SELECT id, name, to_char(born_on, '${ISO}') AS born_on, concerns, goal_details, notes
      FROM client
      WHERE id = $1`,
    [id],
  )

/** Rows with what they do not have left out; parsed with the client they belong to. */
async function looseRows(db: Db, sql: string, id: string) {
  const rows = await many(db, z.record(z.string(), z.unknown()), sql, [id])
  return rows.map(orLeftOut)
}

const listFacts = (db: Db, id: string) =>
  looseRows(
    db,
    `SELECT
        code,
        answer,
        to_char(asked_on, '${ISO}') AS "askedOn",
        to_char(happened_on, '${ISO}') AS "on",
        zones,
        reaction,
        note
      FROM health_fact
      WHERE client_id = $1
      ORDER BY recorded_at, id`,
    id,
  )

const listMemories = (db: Db, id: string) =>
  looseRows(
    db,
    `SELECT product_id AS "productId", memory, to_char(since, '${ISO}') AS "on", note
      FROM product_memory
      WHERE client_id = $1
      ORDER BY product_id, memory`,
    id,
  )

const listClearances = (db: Db, id: string) =>
  looseRows(
    db,
    `SELECT
        clearance,
        given_by AS "by",
        to_char(given_on, '${ISO}') AS "on",
        to_char(until, '${ISO}') AS until
      FROM clearance
      WHERE client_id = $1
      ORDER BY given_on`,
    id,
  )

/** True where the client is of this salon. */
export const isClientOf = async (db: Db, salonId: string, id: string): Promise<boolean> =>
  (await maybeOne(
    db,
    z.object({ id: z.string() }),
    `SELECT id
      FROM client
      WHERE salon_id = $1
        AND id = $2`,
    [salonId, id],
  )) !== undefined

export const clientBirthday = async (db: Db, id: string): Promise<string> =>
  (await maybeOne(
    db,
    z.object({ born_on: z.string() }),
    `SELECT to_char(born_on, '${ISO}') AS born_on FROM client WHERE id = $1`,
    [id],
  ))!.born_on

/** Appends one dated answer; earlier ones stay. Sent twice it is taken once; false when the id belongs to another client's answer. */
export async function addFact(
  db: Db,
  id: string,
  clientId: string,
  fact: Fact,
  accountId: string | null,
): Promise<boolean> {
  const added = await execute(
    db,
    `INSERT INTO health_fact (
        id,
        client_id,
        code,
        answer,
        asked_on,
        happened_on,
        zones,
        reaction,
        note,
        recorded_by,
        recorded_at
      )
      VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, clock_timestamp())
      ON CONFLICT (id) DO NOTHING`,
    [
      id,
      clientId,
      fact.code,
      fact.answer,
      fact.askedOn,
      fact.on ?? null,
      fact.zones ?? null,
      fact.reaction ?? null,
      fact.note ?? null,
      accountId,
    ],
  )
  return added === 1 || (await isFactOf(db, id, clientId, fact.code))
}

async function isFactOf(db: Db, id: string, clientId: string, code: string): Promise<boolean> {
  const row = await maybeOne(
    db,
    z.object({ id: z.string() }),
    `SELECT id
      FROM health_fact
      WHERE id = $1
        AND client_id = $2
        AND code = $3`,
    [id, clientId, code],
  )
  return row !== undefined
}

const PatchRow = PatchTest.extend({ id: z.string() })
/** Patch tests of a client, oldest first, each with its id. */
export async function listPatchTests(db: Db, clientId: string) {
  const rows = await many(
    db,
    z.record(z.string(), z.unknown()),
    `SELECT
        id,
        product_id AS "productId",
        kind,
        zone,
        to_char(placed_on, '${ISO}') AS "placedOn",
        to_char(read_on, '${ISO}') AS "readOn",
        result,
        note
      FROM patch_test
      WHERE client_id = $1
      ORDER BY placed_on, id`,
    [clientId],
  )
  return rows.map((row) => PatchRow.parse(orLeftOut(row)))
}
/** Places a patch test; sent twice it is placed once. */
export const addPatchTest = (
  db: Db,
  id: string,
  clientId: string,
  test: PatchTest,
  accountId: string,
) =>
  execute(
    db,
    `INSERT INTO patch_test (
        id,
        client_id,
        product_id,
        kind,
        zone,
        placed_on,
        read_on,
        result,
        note,
        recorded_by
      )
      VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
      ON CONFLICT (id) DO NOTHING`,
    [
      id,
      clientId,
      test.productId,
      test.kind,
      test.zone,
      test.placedOn,
      test.readOn ?? null,
      test.result,
      test.note ?? null,
      accountId,
    ],
  )
/** Reads a patch test that waits; gives the number of tests read (0: there is none that waits under this id). */
export const readPatchTest = (
  db: Db,
  id: string,
  clientId: string,
  result: 'calm' | 'reacted',
  readOn: string,
) =>
  execute(
    db,
    `UPDATE patch_test
      SET result = $3, read_on = $4
      WHERE id = $1
        AND client_id = $2
        AND result = 'waiting'`,
    [id, clientId, result, readOn],
  )

/** Records a clearance: who gave it, when, until when. Sent twice it is taken once. */
export const addClearance = (
  db: Db,
  id: string,
  clientId: string,
  clearance: Clearance,
  accountId: string,
) =>
  execute(
    db,
    `INSERT INTO clearance (id, client_id, clearance, given_by, given_on, until, recorded_by)
      VALUES ($1, $2, $3, $4, $5, $6, $7)
      ON CONFLICT (id) DO NOTHING`,
    [
      id,
      clientId,
      clearance.clearance,
      clearance.by,
      clearance.on,
      clearance.until ?? null,
      accountId,
    ],
  )
type Goals = Pick<Client, 'concerns' | 'goalDetails'>
/** Sets the ranked goals: the first is the most wanted. Details that are not given stay as they are. */
export const setGoals = (db: Db, id: string, { concerns, goalDetails }: Goals) =>
  execute(
    db,
    'UPDATE client SET concerns = $2, goal_details = COALESCE($3, goal_details) WHERE id = $1',
    [id, concerns, goalDetails ? JSON.stringify(goalDetails) : null],
  )
export const addClient = (
  db: Db,
  client: {
    id: string
    salonId: string
    name: string
    bornOn: string
    concerns: readonly Concern[]
    notes: readonly string[]
  },
) =>
  execute(
    db,
    `INSERT INTO client (id, salon_id, name, born_on, concerns, notes)
      VALUES ($1, $2, $3, $4, $5, $6)`,
    [client.id, client.salonId, client.name, client.bornOn, client.concerns, client.notes],
  )
