import { z } from 'zod'
import { Device, Kit, Supply } from '#core/catalog/model'
import { addOnce, execute, many, type Db } from './rows'

export const listDevices = async (db: Db, salonId: string): Promise<Device[]> =>
  (
    await many(
      db,
      z.object({ body: Device }),
      'SELECT body FROM device WHERE salon_id = $1 ORDER BY position',
      [salonId],
    )
  ).map((row) => row.body)

export const listSupplies = async (db: Db, salonId: string): Promise<Supply[]> =>
  (
    await many(
      db,
      z.object({ body: Supply }),
      'SELECT body FROM supply WHERE salon_id = $1 ORDER BY position',
      [salonId],
    )
  ).map((row) => row.body)

export const listKits = async (db: Db, salonId: string): Promise<Kit[]> =>
  (
    await many(
      db,
      z.object({ body: Kit }),
      'SELECT body FROM kit WHERE salon_id = $1 ORDER BY position',
      [salonId],
    )
  ).map((row) => row.body)

/** What devices, supplies and kits have in common. */
interface Thing {
  readonly id: string
  readonly name: string
}

/** Writes a device: a new one at the end of its list. */
export async function saveDevice(db: Db, salonId: string, body: Thing) {
  await execute(
    db,
    `INSERT INTO device (id, salon_id, name, position, body)
      SELECT $1, $2, $3, COALESCE(max(position), 0) + 1, $4
      FROM device
      WHERE salon_id = $2
      ON CONFLICT (salon_id, id) DO UPDATE
      SET name = excluded.name, body = excluded.body`,
    [body.id, salonId, body.name, JSON.stringify(body)],
  )
}

/** Writes a supply: a new one at the end of its list. */
export async function saveSupply(db: Db, salonId: string, body: Thing) {
  await execute(
    db,
    `INSERT INTO supply (id, salon_id, name, position, body)
      SELECT $1, $2, $3, COALESCE(max(position), 0) + 1, $4
      FROM supply
      WHERE salon_id = $2
      ON CONFLICT (salon_id, id) DO UPDATE
      SET name = excluded.name, body = excluded.body`,
    [body.id, salonId, body.name, JSON.stringify(body)],
  )
}

/** Writes a kit: a new one at the end of its list. */
export async function saveKit(db: Db, salonId: string, body: Thing) {
  await execute(
    db,
    `INSERT INTO kit (id, salon_id, name, position, body)
      SELECT $1, $2, $3, COALESCE(max(position), 0) + 1, $4
      FROM kit
      WHERE salon_id = $2
      ON CONFLICT (salon_id, id) DO UPDATE
      SET name = excluded.name, body = excluded.body`,
    [body.id, salonId, body.name, JSON.stringify(body)],
  )
}

/** Takes single-use supplies off the shelf by id and count; never below none. */
export const takeSupplies = (
  db: Db,
  salonId: string,
  counts: readonly { readonly id: string; readonly count: number }[],
) =>
  execute(
    db,
    `UPDATE supply
      SET body = jsonb_set(body, '{stock}', to_jsonb(GREATEST(0, (body ->> 'stock')::numeric - r.count)))
      FROM jsonb_to_recordset($2) AS r (id text, count numeric)
      WHERE supply.salon_id = $1
        AND supply.id = r.id
        AND body ->> 'kind' = 'single use'`,
    [salonId, JSON.stringify(counts)],
  )

const Opening = z.object({
  kitId: z.string(),
  name: z.string(),
  openedOn: z.string(),
  rest: z.array(z.object({ productId: z.string(), amount: z.number(), home: z.string() })),
})

export type KitOpening = z.infer<typeof Opening>

/** Kits opened for a client, the newest first, with what went home of each. */
export const openingsOf = (db: Db, clientId: string) =>
  many(
    db,
    Opening,
    `SELECT o.kit_id AS "kitId", k.name, to_char(o.opened_at, 'YYYY-MM-DD') AS "openedOn", o.rest
      FROM kit_opening o
        JOIN kit k ON k.salon_id = o.salon_id
        AND k.id = o.kit_id
      WHERE o.client_id = $1
      ORDER BY o.opened_at DESC`,
    [clientId],
  )

/** True where it was not there before. */
export const addOpening = (
  db: Db,
  opening: {
    id: string
    salonId: string
    kitId: string
    clientId: string
    visitId: string
    rest: readonly unknown[]
    accountId: string
  },
) =>
  addOnce(
    db,
    [
      `INSERT INTO kit_opening (id, salon_id, kit_id, client_id, visit_id, rest, opened_by)
        VALUES ($1, $2, $3, $4, $5, $6, $7)
        ON CONFLICT (id) DO NOTHING`,
      [
        opening.id,
        opening.salonId,
        opening.kitId,
        opening.clientId,
        opening.visitId,
        JSON.stringify(opening.rest),
        opening.accountId,
      ],
    ],
    [
      'SELECT FROM kit_opening WHERE id = $1 AND kit_id = $2 AND visit_id = $3',
      [opening.id, opening.kitId, opening.visitId],
    ],
  )

/** One kit less on the shelf; 0 when none was left. */
export const takeKit = (db: Db, salonId: string, kitId: string) =>
  execute(
    db,
    `UPDATE kit
      SET body = jsonb_set(body, '{stock}', to_jsonb((body ->> 'stock')::int - 1))
      WHERE salon_id = $1
        AND id = $2
        AND (body ->> 'stock')::int > 0`,
    [salonId, kitId],
  )
