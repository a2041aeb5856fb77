import { z } from 'zod'
import { searchText } from '#core/client'
import { Client, Concern, Fact, GoalDetails } from '#core/client/model'
import { listPatchTests } from './evidence.sql'
import { listNotes } from './note.sql'
import { addOnce, execute, many, maybeOne, withoutNulls, type Db } from './rows'

const ISO = 'YYYY-MM-DD'
const INSTANT = 'YYYY-MM-DD"T"HH24:MI:SS"Z"'
const ClientRow = z.object({
  id: z.string(),
  name: z.string(),
  born_on: z.string(),
  concerns: z.array(Concern),
  goal_details: GoalDetails,
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
    notes: (await listNotes(db, id)).map(({ body }) => body),
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
    `SELECT id, name, to_char(born_on, '${ISO}') AS born_on, concerns, goal_details
      FROM client
      WHERE id = $1`,
    [id],
  )

/** Rows with what they do not have left out; parsed with the client they belong to. */
async function looseRows(db: Db, sql: string, id: string) {
  const rows = await many(db, z.record(z.string(), z.unknown()), sql, [id])
  return rows.map(withoutNulls)
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

const valuesOf = ({ code, answer, askedOn, on, zones, reaction, note }: Fact) => [
  ...[code, answer, askedOn],
  ...[on ?? null, zones ?? null, reaction ?? null, note ?? null],
]

/** Appends one dated answer; earlier ones stay. `path`: where its id stood. True where it was not there before. */
export const addFact = (
  db: Db,
  id: string,
  clientId: string,
  fact: Fact,
  accountId: string | null,
  path?: string,
) =>
  addOnce(
    db,
    [
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
      [id, clientId, ...valuesOf(fact), accountId],
    ],
    [
      `SELECT
        FROM health_fact
        WHERE id = $1
          AND client_id = $2
          AND code = $3
          AND answer = $4
          AND asked_on = $5`,
      [id, clientId, fact.code, fact.answer, fact.askedOn],
    ],
    path,
  )

/** What one of two tablets was told. */
const Side = z.object({ answer: Fact.shape.answer, by: z.string(), at: z.string() })
export type Side = z.infer<typeof Side>

/** The newest answer to a question that somebody gave, but for these: by whom and when it was taken. */
export const standingAnswer = (
  db: Db,
  clientId: string,
  code: string,
  without: readonly string[],
) =>
  maybeOne(
    db,
    Side,
    `SELECT
        f.answer,
        COALESCE(a.name, '') AS by,
        to_char(f.recorded_at AT TIME ZONE 'UTC', '${INSTANT}') AS at
      FROM health_fact f
        LEFT JOIN account a ON a.id = f.recorded_by
      WHERE f.client_id = $1
        AND f.code = $2
        AND f.sides IS NULL
        AND f.id <> ALL ($3)
      ORDER BY f.recorded_at DESC, f.id DESC
      LIMIT 1`,
    [clientId, code, without],
  )

/** Appends that an answer was given differently on two tablets: not known, until somebody asks again. */
export const addDispute = (
  db: Db,
  id: string,
  clientId: string,
  { code, askedOn, note }: Pick<Fact, 'code' | 'askedOn' | 'note'>,
  sides: readonly Side[],
) =>
  execute(
    db,
    `INSERT INTO health_fact (id, client_id, code, answer, asked_on, note, sides, recorded_at)
      VALUES ($1, $2, $3, 'unknown', $4, $5, $6, clock_timestamp())`,
    [id, clientId, code, askedOn, note, JSON.stringify(sides)],
  )

/** Questions that two tablets answered differently and nobody has asked again: what each said. */
export const listDisputes = (db: Db, clientId: string) =>
  many(
    db,
    z.object({ code: z.string(), sides: z.array(Side) }),
    `SELECT code, sides
      FROM (
          SELECT DISTINCT ON (code)
            code, sides
          FROM health_fact
          WHERE client_id = $1
          ORDER BY code, recorded_at DESC, id DESC
        ) newest
      WHERE sides IS NOT NULL`,
    [clientId],
  )

type Goals = Pick<Client, 'concerns' | 'goalDetails'>
/** Sets the ranked goals: the first is the most wanted. Details that are not given stay as they are. */
export const setGoals = (db: Db, id: string, { concerns, goalDetails }: Goals) =>
  execute(
    db,
    'UPDATE client SET concerns = $2, goal_details = COALESCE($3, goal_details) WHERE id = $1',
    [id, concerns, goalDetails ? JSON.stringify(goalDetails) : null],
  )
export const CONTACT_WAYS = ['phone', 'text', 'email', 'post'] as const
/** Who a client is and how they are reached; `contact`: the ways they agreed to. */
export interface ClientDetails {
  readonly name: string
  readonly bornOn: string
  readonly phone: string
  readonly email: string
  readonly address: string
  readonly contact: readonly (typeof CONTACT_WAYS)[number][]
}
interface NewClient extends Partial<ClientDetails> {
  readonly id: string
  readonly salonId: string
  readonly name: string
  readonly bornOn: string
  readonly concerns?: readonly Concern[]
}
export const addClient = (db: Db, { phone = '', email = '', ...client }: NewClient) =>
  execute(
    db,
    `INSERT INTO client (id, salon_id, name, born_on, concerns, phone, email, address, contact, search)
      VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)`,
    [
      ...[client.id, client.salonId, client.name, client.bornOn, client.concerns ?? []],
      ...[phone, email, client.address ?? '', client.contact ?? []],
      searchText({ name: client.name, email }),
    ],
  )

/** Corrects who a client is; how it read before is kept. */
export async function setClientDetails(
  db: Db,
  id: string,
  details: ClientDetails,
  accountId: string,
) {
  await execute(
    db,
    `INSERT INTO client_was (client_id, by, name, born_on, phone, email, address, contact)
      SELECT id, $2, name, born_on, phone, email, address, contact
      FROM client
      WHERE id = $1`,
    [id, accountId],
  )
  const { name, bornOn, phone, email, address, contact } = details
  await execute(
    db,
    `UPDATE client
      SET
        name = $2,
        born_on = $3,
        phone = $4,
        email = $5,
        address = $6,
        contact = $7,
        search = $8
      WHERE id = $1`,
    [id, name, bornOn, phone, email, address, contact, searchText({ name, email })],
  )
}
