import { z } from 'zod'
import { type Clearance, Client, Concern, type Fact, PatchTest } from '#core/client/model'
import { LeverUse, type PastVisit, SkinAnswer } from '#core/climb/model'
import { PROPERTIES } from '#core/protocol'
import { Finding } from '#core/skin/model'
import { change, many, maybeOne, type Db } from './rows'

const ISO = 'YYYY-MM-DD'
const orLeftOut = <T extends object>(row: T) =>
  Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null))

const ClientRow = z.object({
  id: z.string(),
  name: z.string(),
  born_on: z.string(),
  concerns: z.array(Concern),
  notes: z.array(z.string()),
})

/** A client with every dated answer, memory and clearance, or undefined. Facts oldest first. */
export async function loadClient(db: Db, id: string): Promise<Client | undefined> {
  const row = await maybeOne(
    db,
    ClientRow,
    `SELECT
        id,
        name,
        to_char(born_on, '${ISO}') AS born_on,
        concerns,
        notes
      FROM
        client
      WHERE
        id = $1`,
    [id],
  )
  if (!row) return undefined
  const facts = await many(
    db,
    z.record(z.string(), z.unknown()),
    `SELECT
        code,
        answer,
        to_char(asked_on, '${ISO}') AS "askedOn",
        to_char(happened_on, '${ISO}') AS "on",
        zones,
        reaction,
        note
      FROM
        health_fact
      WHERE
        client_id = $1
      ORDER BY
        recorded_at,
        id`,
    [id],
  )
  const memories = await many(
    db,
    z.record(z.string(), z.unknown()),
    `SELECT
        product_id AS "productId",
        memory,
        to_char(since, '${ISO}') AS "on",
        note
      FROM
        product_memory
      WHERE
        client_id = $1
      ORDER BY
        product_id,
        memory`,
    [id],
  )
  const clearances = await many(
    db,
    z.record(z.string(), z.unknown()),
    `SELECT
        clearance,
        given_by AS "by",
        to_char(given_on, '${ISO}') AS "on",
        to_char(until, '${ISO}') AS until
      FROM
        clearance
      WHERE
        client_id = $1
      ORDER BY
        given_on`,
    [id],
  )
  const patchTests = await listPatchTests(db, id)
  return Client.parse({
    id: row.id,
    name: row.name,
    bornOn: row.born_on,
    concerns: row.concerns,
    notes: row.notes,
    facts: facts.map(orLeftOut),
    memories: memories.map(orLeftOut),
    clearances: clearances.map(orLeftOut),
    patchTests: patchTests.map(({ id: _id, ...test }) => test),
  })
}

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
  const added = await change(
    db,
    `INSERT INTO
        health_fact (
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
      VALUES
        ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, clock_timestamp())
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
  return (
    added === 1 ||
    (await maybeOne(
      db,
      z.object({ id: z.string() }),
      `SELECT
          id
        FROM
          health_fact
        WHERE
          id = $1
          AND client_id = $2
          AND code = $3`,
      [id, clientId, fact.code],
    )) !== undefined
  )
}

const PastRow = z.object({
  on: z.string(),
  levers: z.array(LeverUse),
  answer: SkinAnswer.nullable(),
  findings: z.array(Finding).nullable(),
  work: z.array(z.enum(PROPERTIES)),
})

/** Properties of performed steps that rules ask for at later visits (rule E01), as far as they stand in a stored step. */
const WORK = ['gommage', 'rf', 'mechanical', 'blade', 'needling']

/**
 * Closed visits of a client before a day, oldest first: levers used, what the skin answered (a later check-in wins over the close),
 * what it showed, and what was worked with.
 */
export async function loadHistory(
  db: Db,
  clientId: string,
  before: Date,
  timeZone: string,
): Promise<PastVisit[]> {
  const rows = await many(
    db,
    PastRow,
    `SELECT
        to_char(v.starts_at AT TIME ZONE $3, '${ISO}') AS "on",
        o.levers,
        COALESCE(
          (
            SELECT
              c.answer
            FROM
              check_in c
            WHERE
              c.visit_id = v.id
            ORDER BY
              c.recorded_at DESC
            LIMIT
              1
          ),
          o.answer
        ) AS answer,
        (
          SELECT
            r.body -> 'findings'
          FROM
            reading r
          WHERE
            r.visit_id = v.id
            AND (r.body ->> 'done')::boolean
          ORDER BY
            r.read_at DESC
          LIMIT
            1
        ) AS findings,
        ARRAY(
          SELECT DISTINCT
            property
          FROM
            (
              SELECT
                plan
              FROM
                fitted_plan f
              WHERE
                f.visit_id = v.id
              ORDER BY
                f.revision DESC
              LIMIT
                1
            ) AS last,
            jsonb_array_elements(last.plan -> 'steps') AS step,
            jsonb_array_elements_text(
              COALESCE(
                (
                  SELECT
                    body -> 'properties' || COALESCE(
                      (
                        SELECT
                          jsonb_agg(own)
                        FROM
                          jsonb_array_elements(body -> 'recipe' -> 'parts') AS part
                          JOIN product AS of ON of.id = part ->> 'productId',
                          jsonb_array_elements(of.body -> 'properties') AS own
                      ),
                      '[]'
                    )
                  FROM
                    product
                  WHERE
                    id = step -> 'product' ->> 'productId'
                ),
                '[]'
              ) || (step -> 'properties')
            ) AS property
          WHERE
            property = ANY ($4)
        ) AS work
      FROM
        visit v
        JOIN outcome o ON o.visit_id = v.id
      WHERE
        v.client_id = $1
        AND v.starts_at < $2
      ORDER BY
        v.starts_at`,
    [clientId, before, timeZone, WORK],
  )
  return rows.map(({ findings, work, ...row }) => ({
    ...row,
    work,
    ...(findings ? { findings } : {}),
  }))
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
      FROM
        patch_test
      WHERE
        client_id = $1
      ORDER BY
        placed_on,
        id`,
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
  change(
    db,
    `INSERT INTO
        patch_test (
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
      VALUES
        ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
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
  change(
    db,
    `UPDATE patch_test
      SET
        result = $3,
        read_on = $4
      WHERE
        id = $1
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
  change(
    db,
    `INSERT INTO
        clearance (id, client_id, clearance, given_by, given_on, until, recorded_by)
      VALUES
        ($1, $2, $3, $4, $5, $6, $7)
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
/** Sets the ranked goals: the first is the most wanted. */
export const setGoals = (db: Db, clientId: string, concerns: readonly Concern[]) =>
  change(db, 'UPDATE client SET concerns = $2 WHERE id = $1', [clientId, concerns])
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
  change(
    db,
    `INSERT INTO
        client (id, salon_id, name, born_on, concerns, notes)
      VALUES
        ($1, $2, $3, $4, $5, $6)`,
    [client.id, client.salonId, client.name, client.bornOn, client.concerns, client.notes],
  )
