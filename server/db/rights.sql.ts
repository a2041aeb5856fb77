import { z } from 'zod'
import { execute, many, maybeOne, type Db } from './rows'

// What a client may ask of what is kept: all of it, that it rests, that it goes.

export const ERASE_REASONS = ['asked', 'retention', 'by-mistake'] as const
export type EraseReason = (typeof ERASE_REASONS)[number]

/** Closes a record to everything but the law's needs, or opens it again (`why` null). */
export const restrictClient = (db: Db, id: string, why: string | null) =>
  execute(
    db,
    `UPDATE client
      SET restricted_at = CASE WHEN $2::text IS NULL THEN NULL ELSE now() END, restricted_why = $2
      WHERE id = $1`,
    [id, why],
  )

const Erased = z.object({
  visits: z.number(),
  photos: z.number(),
  answers: z.number(),
  calledOff: z.number(),
})
/** Erases a client of the salon; gives how much went. Null: there is no such client any more. */
export const eraseClient = async (db: Db, id: string, by: string | null, why: EraseReason) =>
  (await maybeOne(
    db,
    z.object({ counted: Erased.nullable() }),
    'SELECT erase_client($1, $2, $3) AS counted',
    [id, by, why],
  ))!.counted

export const erasePhotos = async (db: Db, ids: readonly string[]): Promise<number> =>
  (await maybeOne(db, z.object({ count: z.number() }), 'SELECT erase_photos($1) AS count', [ids]))!
    .count

const Json = z.record(z.string(), z.unknown())
/** The visits of a client with everything that hangs on them, as their file has them, the oldest first. */
export const filedVisits = async (db: Db, clientId: string) =>
  (await many(db, z.object({ visit: Json }), FILED_VISITS, [clientId])).map(({ visit }) => visit)

const FILED_VISITS = `SELECT jsonb_build_object(
    'id', v.id,
    'startsAt', v.starts_at,
    'endsAt', v.ends_at,
    'room', r.name,
    'practitioner', p.name,
    'protocol', pv.name,
    'stage', v.stage,
    'calledOff', CASE
      WHEN v.no_show THEN 'did not come'
      WHEN v.stage = 'called-off' THEN COALESCE(v.called_off_reason, '')
    END,
    'readings', (
      SELECT COALESCE(jsonb_agg(x.body ORDER BY x.read_at), '[]')
      FROM reading x
      WHERE x.visit_id = v.id
    ),
    'plan', (
      SELECT x.plan
      FROM fitted_plan x
      WHERE x.visit_id = v.id
      ORDER BY x.revision DESC
      LIMIT 1
    ),
    'events', (
      SELECT COALESCE(jsonb_agg(x.body || jsonb_build_object('atMs', x.wall_ms) ORDER BY x.wall_ms, x.seq), '[]')
      FROM run_event x
      WHERE x.visit_id = v.id
    ),
    'used', (
      SELECT COALESCE(jsonb_agg(jsonb_build_object('productId', x.product_id, 'lot', x.lot, 'amount', x.amount, 'unit', x.unit)), '[]')
      FROM visit_use x
      WHERE x.visit_id = v.id
    ),
    'overrides', (
      SELECT COALESCE(jsonb_agg(jsonb_build_object('ruleId', x.rule_id, 'reason', x.reason, 'by', x.by_name)), '[]')
      FROM visit_override x
      WHERE x.visit_id = v.id
    ),
    'leaving', o.leaving,
    'answer', o.answer,
    'checkIns', (
      SELECT COALESCE(jsonb_agg(jsonb_build_object('askedOn', x.asked_on, 'answer', x.answer) ORDER BY x.recorded_at), '[]')
      FROM check_in x
      WHERE x.visit_id = v.id
    ),
    'note', COALESCE(o.note, ''),
    'nextNote', COALESCE(o.next_note, ''),
    'homeTold', (
      SELECT COALESCE(jsonb_agg(jsonb_build_object('uses', x.uses, 'kept', x.kept_to, 'why', x.kept_why) ORDER BY x.told_at), '[]')
      FROM home_told x
      WHERE x.visit_id = v.id
    ),
    'homePlans', (
      SELECT COALESCE(jsonb_agg(x.plan ORDER BY x.given_at), '[]')
      FROM home_plan x
      WHERE x.visit_id = v.id
    ),
    'signedBy', o.signed_name,
    'signedAt', o.signed_at
  ) AS visit
  FROM visit v
    JOIN room r ON r.id = v.room_id
    JOIN practitioner p ON p.id = v.practitioner_id
    JOIN protocol_version pv ON pv.salon_id = v.salon_id AND pv.id = v.protocol_version_id
    LEFT JOIN outcome o ON o.visit_id = v.id
  WHERE v.client_id = $1
  ORDER BY v.starts_at, v.id`

/** What was written to a client, the oldest first. */
export const filedMessages = async (db: Db, clientId: string) =>
  (
    await many(
      db,
      z.object({ message: Json }),
      `SELECT jsonb_build_object('madeAt', made_at, 'to', to_address, 'subject', subject, 'body', body, 'state', state) AS message
        FROM message
        WHERE client_id = $1
        ORDER BY made_at, id`,
      [clientId],
    )
  ).map(({ message }) => message)

const Due = z.object({
  id: z.string(),
  name: z.string(),
  lastOn: z.string(),
  visits: z.coerce.number(),
  photos: z.coerce.number(),
})
/** Clients whose last visit, or coming into the record where there was none, is more than so many years ago: their time is over. */
export const clientsPast = (db: Db, salonId: string, years: number, most: number) =>
  many(
    db,
    Due,
    `SELECT
        c.id,
        c.name,
        to_char(COALESCE(max(v.starts_at), c.made_at), 'YYYY-MM-DD') AS "lastOn",
        count(v.id) AS visits,
        (
          SELECT count(*)
          FROM photo p
          WHERE p.client_id = c.id
        ) AS photos
      FROM client c
        LEFT JOIN visit v ON v.client_id = c.id AND v.stage <> 'called-off'
      WHERE c.salon_id = $1
        AND c.merged_into IS NULL
        AND c.erased_at IS NULL
      GROUP BY c.id
      HAVING COALESCE(max(v.starts_at), c.made_at) < now() - make_interval(years => $2)
      ORDER BY COALESCE(max(v.starts_at), c.made_at), c.id
      LIMIT $3`,
    [salonId, years, most],
  )

const DuePhotos = z.object({
  clientId: z.string(),
  name: z.string(),
  ids: z.array(z.string()),
  oldest: z.string(),
})
/** Photographs that were taken more than so many years ago, by client. */
export const photosPast = (db: Db, salonId: string, years: number, most: number) =>
  many(
    db,
    DuePhotos,
    `SELECT
        c.id AS "clientId",
        c.name,
        array_agg(p.id ORDER BY p.taken_at) AS ids,
        to_char(min(p.taken_at), 'YYYY-MM-DD') AS oldest
      FROM photo p
        JOIN client c ON c.id = p.client_id
      WHERE p.salon_id = $1
        AND p.taken_at < now() - make_interval(years => $2)
      GROUP BY c.id
      ORDER BY min(p.taken_at), c.id
      LIMIT $3`,
    [salonId, years, most],
  )

const Erasure = z.object({
  clientId: z.string(),
  salonId: z.string(),
  at: z.date(),
  why: z.enum(ERASE_REASONS),
})
export type Erasure = z.infer<typeof Erasure>
/** Erasures of every salon that have not been written down beside the copies yet; asked as the owner of the tables. */
export const allErasures = (db: Db) =>
  many(
    db,
    Erasure,
    `SELECT client_id AS "clientId", salon_id AS "salonId", at, why
      FROM erasure
      ORDER BY at, client_id`,
  )

/** Why the record of a client rests; undefined where it does not. */
export const restrictionOf = async (db: Db, clientId: string): Promise<string | undefined> =>
  (
    await maybeOne(
      db,
      z.object({ why: z.string() }),
      'SELECT restricted_why AS why FROM client WHERE id = $1 AND restricted_at IS NOT NULL',
      [clientId],
    )
  )?.why
