import { z } from 'zod'
import { addOnce, execute, many, type Db } from './rows'

// What is remembered of a client, apart from their health.

export const NOTE_KINDS = ['note', 'manner'] as const
const Note = z.object({
  id: z.string(),
  kind: z.enum(NOTE_KINDS),
  body: z.string(),
  madeAt: z.date(),
  by: z.string().nullable(),
})
/** What is remembered of a client, manner first, the oldest first; what was taken back is left out. */
export const listNotes = (db: Db, clientId: string) =>
  many(
    db,
    Note,
    `SELECT n.id, n.kind, n.body, n.made_at AS "madeAt", a.name AS by
      FROM client_note n
        LEFT JOIN account a ON a.salon_id = n.salon_id AND a.id = n.made_by
      WHERE n.client_id = $1
        AND n.taken_back_at IS NULL
      ORDER BY n.kind, n.made_at, n.id`,
    [clientId],
  )
interface NewNote {
  readonly id: string
  readonly clientId: string
  readonly kind: (typeof NOTE_KINDS)[number]
  readonly body: string
  readonly by: string | null
}
export const addNote = (db: Db, { id, clientId, kind, body, by }: NewNote) =>
  addOnce(
    db,
    [
      `INSERT INTO client_note (id, client_id, kind, body, made_by)
        VALUES ($1, $2, $3, $4, $5)
        ON CONFLICT (id) DO NOTHING`,
      [id, clientId, kind, body, by],
    ],
    [
      'SELECT FROM client_note WHERE id = $1 AND client_id = $2 AND body = $3',
      [id, clientId, body],
    ],
  )
/** Takes a note back; how many that were: none or one. */
export const takeNoteBack = (db: Db, clientId: string, id: string, accountId: string) =>
  execute(
    db,
    `UPDATE client_note
      SET taken_back_at = now(), taken_back_by = $3
      WHERE id = $1
        AND client_id = $2
        AND taken_back_at IS NULL`,
    [id, clientId, accountId],
  )

export const addMemory = (
  db: Db,
  clientId: string,
  memory: { productId: string; memory: string; on: string; note?: string | undefined },
) =>
  execute(
    db,
    `INSERT INTO product_memory (client_id, product_id, memory, since, note)
      VALUES ($1, $2, $3, $4, $5)
      ON CONFLICT (client_id, product_id, memory) DO UPDATE
      SET since = excluded.since, note = excluded.note`,
    [clientId, memory.productId, memory.memory, memory.on, memory.note ?? null],
  )
export const dropMemory = (db: Db, clientId: string, productId: string, memory: string) =>
  execute(
    db,
    'DELETE FROM product_memory WHERE client_id = $1 AND product_id = $2 AND memory = $3',
    [clientId, productId, memory],
  )

/** A product refused during a visit; what was remembered before stays as it was. One that is none of the salon's is none to remember. */
export const keepRefusal = (
  db: Db,
  clientId: string,
  refusal: { productId: string; on: string; note: string },
) =>
  execute(
    db,
    `INSERT INTO product_memory (client_id, product_id, memory, since, note)
      SELECT $1, id, 'refused', $3, $4
      FROM product
      WHERE id = $2
      ON CONFLICT (client_id, product_id, memory) DO NOTHING`,
    [clientId, refusal.productId, refusal.on, refusal.note],
  )
/** Takes back what was refused on a day, and not what was known before. */
export const dropRefusal = (db: Db, clientId: string, productId: string, on: string) =>
  execute(
    db,
    `DELETE FROM product_memory
      WHERE client_id = $1 AND product_id = $2 AND memory = 'refused' AND since = $3`,
    [clientId, productId, on],
  )
