import { z } from 'zod'
import { type Clearance, PatchTest } from '#core/client/model'
import { addOnce, execute, many, maybeOne, withoutNulls, type Db } from './rows'

const ISO = 'YYYY-MM-DD'

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
  return rows.map((row) => PatchRow.parse(withoutNulls(row)))
}
/** Places a patch test; sent twice it is placed once. */
export const addPatchTest = (
  db: Db,
  id: string,
  clientId: string,
  test: PatchTest,
  accountId: string,
) =>
  addOnce(
    db,
    [
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
    ],
    [
      `SELECT FROM patch_test WHERE id = $1 AND client_id = $2 AND product_id = $3 AND kind = $4 AND placed_on = $5`,
      [id, clientId, test.productId, test.kind, test.placedOn],
    ],
  )
/** A patch test that waits to be read; undefined where there is none under this id. */
export const waitingPatchTest = (db: Db, id: string, clientId: string) =>
  maybeOne(
    db,
    PatchTest.pick({ kind: true }).extend({ placedOn: z.string() }),
    `SELECT kind, to_char(placed_on, '${ISO}') AS "placedOn"
      FROM patch_test
      WHERE id = $1
        AND client_id = $2
        AND result = 'waiting'
      FOR UPDATE`,
    [id, clientId],
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
  addOnce(
    db,
    [
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
    ],
    [
      `SELECT FROM clearance WHERE id = $1 AND client_id = $2 AND clearance = $3 AND given_on = $4`,
      [id, clientId, clearance.clearance, clearance.on],
    ],
  )
