import { z } from 'zod'
import type { ClientQuery } from '#core/client'
import { LeverUse } from '#core/climb/model'
import { CONTACT_WAYS } from './client.sql'
import { asTold, TOLD, ToldRow } from './outcome.sql'
import { execute, many, maybeOne, type Db } from './rows'

// Clients as a list: found while one types, a page at a time.

const Listed = z.object({
  id: z.string(),
  name: z.string(),
  bornOn: z.string(),
  phone: z.string(),
  lastOn: z.string().nullable(),
  nextOn: z.string().nullable(),
})
export type ListedClient = z.infer<typeof Listed>

/** Where a page of the list went to: the last name on it, and whose. */
export interface Place {
  readonly name: string
  readonly id: string
}

/** Of a word everything is one sign: what LIKE reads as more is not. */
const within = (word: string): string => `%${word.replaceAll(/[\\%_]/g, String.raw`\$&`)}%`

/** A query as the database's search takes it: the longest word, the others, digits, a birthday. */
function termsOf({ words, digits, born }: ClientQuery) {
  const [longest, ...others] = words.map(within)
  return [longest ?? '', others, digits, born ?? null]
}

/** Clients whom a query fits, by name, from a place on; each with its last visit and its next. */
export function findClients(db: Db, query: ClientQuery, after: Place | undefined, most: number) {
  return many(
    db,
    Listed,
    `SELECT
        c.id,
        c.name,
        to_char(c.born_on, 'YYYY-MM-DD') AS "bornOn",
        c.phone,
        (
          SELECT to_char(max(v.starts_at) AT TIME ZONE s.time_zone, 'YYYY-MM-DD')
          FROM visit v
          WHERE v.client_id = c.id
            AND v.starts_at < now()
            AND v.stage = 'closed'
        ) AS "lastOn",
        (
          SELECT to_char(min(v.starts_at) AT TIME ZONE s.time_zone, 'YYYY-MM-DD')
          FROM visit v
          WHERE v.client_id = c.id
            AND v.starts_at >= now()
            AND v.stage <> 'called-off'
        ) AS "nextOn"
      FROM find_clients($1, $2, $3, $4, $5, $6, $7) f
        JOIN client c ON c.id = f.id
        JOIN salon s ON s.id = c.salon_id
      ORDER BY c.sort_name, c.id`,
    [...termsOf(query), after?.name ?? null, after?.id ?? null, most],
  )
}

const FileRow = z.object({
  name: z.string(),
  bornOn: z.string(),
  phone: z.string(),
  email: z.string(),
  address: z.string(),
})
const MOST_IN_FILE = 200_000
/** Contact data of everybody whom a query fits, by name. */
export const clientsForFile = (db: Db, query: ClientQuery) =>
  many(
    db,
    FileRow,
    `SELECT c.name, to_char(c.born_on, 'YYYY-MM-DD') AS "bornOn", c.phone, c.email, c.address
      FROM find_clients($1, $2, $3, $4, NULL, NULL, $5) f
        JOIN client c ON c.id = f.id
      ORDER BY c.sort_name, c.id`,
    [...termsOf(query), MOST_IN_FILE],
  )

const Alike = z.object({
  id: z.string(),
  name: z.string(),
  bornOn: z.string(),
  phone: z.string(),
})
export type AlikeClient = z.infer<typeof Alike>
/** Who may be the same as somebody: by a folded name, a birthday and the digits of a number. The likeliest first. */
export const alikeClients = (
  db: Db,
  { search, bornOn, digits }: { search: string; bornOn: string | null; digits: string },
  most: number,
) =>
  many(
    db,
    Alike,
    `SELECT c.id, c.name, to_char(c.born_on, 'YYYY-MM-DD') AS "bornOn", c.phone
      FROM alike_clients($1, $2, $3, $4) WITH ORDINALITY AS f (id, at)
        JOIN client c ON c.id = f.id
      ORDER BY f.at`,
    [search, bornOn, digits, most],
  )

const Details = z.object({
  id: z.string(),
  name: z.string(),
  bornOn: z.string(),
  phone: z.string(),
  email: z.string(),
  address: z.string(),
  contact: z.array(z.enum(CONTACT_WAYS)),
  madeAt: z.date(),
  mergedInto: z.string().nullable(),
  /** Why the record rests; null: it does not. */
  restricted: z.string().nullable(),
  isErased: z.boolean(),
})
/** Who a client of the salon is and how they are reached; who was made one with another leads there. */
export const clientDetails = (db: Db, salonId: string, id: string) =>
  maybeOne(
    db,
    Details,
    `SELECT
        id,
        name,
        to_char(born_on, 'YYYY-MM-DD') AS "bornOn",
        phone,
        email,
        address,
        contact,
        made_at AS "madeAt",
        merged_into AS "mergedInto",
        restricted_why AS restricted,
        erased_at IS NOT NULL AS "isErased"
      FROM client
      WHERE salon_id = $1
        AND id = $2`,
    [salonId, id],
  )

const Former = z.object({
  until: z.date(),
  by: z.string().nullable(),
  name: z.string(),
  bornOn: z.string(),
  phone: z.string(),
  email: z.string(),
  address: z.string(),
})
/** How a client's record read before it was corrected, the newest first. */
export const formerDetails = (db: Db, clientId: string) =>
  many(
    db,
    Former,
    `SELECT
        w.until,
        a.name AS by,
        w.name,
        to_char(w.born_on, 'YYYY-MM-DD') AS "bornOn",
        w.phone,
        w.email,
        w.address
      FROM client_was w
        LEFT JOIN account a ON a.salon_id = w.salon_id AND a.id = w.by
      WHERE w.client_id = $1
      ORDER BY w.until DESC, w.id DESC`,
    [clientId],
  )

const VisitLine = ToldRow.extend({
  on: z.string(),
  id: z.string(),
  startsAt: z.date(),
  endsAt: z.date(),
  protocol: z.string(),
  practitioner: z.string(),
  room: z.string(),
  stage: z.string(),
  calledOff: z.string().nullable(),
  note: z.string().nullable(),
  nextNote: z.string().nullable(),
  levers: z.array(LeverUse).nullable(),
})
/** Visits of a client before an instant, the newest first: what was done, how high, what the skin showed on leaving and answered after. */
export async function visitLines(db: Db, clientId: string, before: Date | null, most: number) {
  const rows = await many(
    db,
    VisitLine,
    `SELECT
        v.id,
        v.starts_at AS "startsAt",
        v.ends_at AS "endsAt",
        pv.name AS protocol,
        p.name AS practitioner,
        r.name AS room,
        v.stage,
        CASE
          WHEN v.no_show THEN 'did not come'
          WHEN v.stage = 'called-off' THEN 'called off: ' || v.called_off_reason
        END AS "calledOff",
        to_char(v.starts_at AT TIME ZONE s.time_zone, 'YYYY-MM-DD') AS "on",
        ${TOLD},
        o.note,
        o.next_note AS "nextNote",
        o.levers
      FROM visit v
        JOIN salon s ON s.id = v.salon_id
        JOIN practitioner p ON p.id = v.practitioner_id
        JOIN room r ON r.id = v.room_id
        JOIN protocol_version pv ON pv.salon_id = v.salon_id AND pv.id = v.protocol_version_id
        LEFT JOIN outcome o ON o.visit_id = v.id
      WHERE v.client_id = $1
        AND ($2::timestamptz IS NULL OR v.starts_at < $2)
      ORDER BY v.starts_at DESC, v.id
      LIMIT $3`,
    [clientId, before, most],
  )
  return rows.map(asTold)
}

/** Makes one client of two of the salon; false where they are not two. */
export const mergeClients = async (db: Db, kept: string, gone: string): Promise<boolean> =>
  (await maybeOne(db, z.object({ done: z.boolean() }), 'SELECT merge_clients($1, $2) AS done', [
    kept,
    gone,
  ]))!.done

// Rows of a file on their way in.

export async function startClientImport(db: Db, id: string, accountId: string) {
  await execute(db, "DELETE FROM client_import WHERE started_at < now() - interval '1 day'")
  await execute(db, 'INSERT INTO client_import (id, by) VALUES ($1, $2)', [id, accountId])
}
export const hasClientImport = async (db: Db, id: string): Promise<boolean> =>
  (await maybeOne(db, z.object({ id: z.string() }), 'SELECT id FROM client_import WHERE id = $1', [
    id,
  ])) !== undefined
export const stageClients = (db: Db, id: string, from: number, rows: readonly unknown[]) =>
  execute(
    db,
    `INSERT INTO client_import_row (import_id, at, body)
      SELECT $1, $2::int + ordinality::int - 1, value
      FROM jsonb_array_elements($3) WITH ORDINALITY
      ON CONFLICT (import_id, at) DO UPDATE
      SET body = excluded.body`,
    [id, from, JSON.stringify(rows)],
  )
export const countStaged = async (db: Db, id: string): Promise<number> =>
  (await maybeOne(
    db,
    z.object({ n: z.coerce.number() }),
    'SELECT count(*) AS n FROM client_import_row WHERE import_id = $1',
    [id],
  ))!.n
/**
 * Writes every staged row as a client, in one statement; who is there already (same folded name and birthday) is left as it is. Gives how many
 * were new.
 */
export const takeStaged = (db: Db, id: string): Promise<number> =>
  execute(
    db,
    `INSERT INTO client (id, salon_id, name, born_on, phone, email, address, search)
      SELECT
        gen_random_uuid(),
        current_salon(),
        r.body ->> 'name',
        (r.body ->> 'bornOn')::date,
        r.body ->> 'phone',
        r.body ->> 'email',
        r.body ->> 'address',
        r.body ->> 'search'
      FROM client_import_row r
      WHERE r.import_id = $1
        AND NOT EXISTS (
          SELECT
          FROM client c
          WHERE c.salon_id = current_salon()
            AND c.merged_into IS NULL
            AND c.erased_at IS NULL
            AND c.born_on = (r.body ->> 'bornOn')::date
            AND lower(c.name) = lower(r.body ->> 'name')
        )`,
    [id],
  )
export const dropClientImport = (db: Db, id: string) =>
  execute(db, 'DELETE FROM client_import WHERE id = $1', [id])
