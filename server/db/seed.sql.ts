import { execute, type Db } from './rows'

// Invented clients and visits by the thousand, drawn by arithmetic from their number: the same ones every time.

const GIVEN =
  'Ada Bo Cal Dara Elin Femi Gwen Hal Ines Jory Kiri Lev Mina Noor Oda Per Quin Rhea Sami Tove Una Vik Wren Xan Yara Zed'
const FAMILY =
  'Abiola Brae Castellane Dovey Esk Fenwick Glass Hurst Ilves Jarrow Keld Lindqvist Marsh Nwosu Okoro Penhale Quill Rao Solvay Thorne Ulm Vask Whin Yarrow Zell'
/** Rooms and people that hold the seeded visits, apart from those of the salon. */
const SEATS = 40
/** Visits a seat has on a day, an hour and a half apart. */
const A_DAY = 7

/** Adds so many clients; those of an earlier run with the same numbers stay. Gives how many were new. */
export const seedClients = (db: Db, salonId: string, count: number): Promise<number> =>
  execute(
    db,
    `INSERT INTO client (id, salon_id, name, born_on, phone, search)
      SELECT
        md5($1::uuid::text || 'client' || n)::uuid,
        $1::uuid,
        name,
        '1930-01-01'::date + (n::bigint * 7919 % 29000)::int,
        '+000 ' || lpad((n::bigint * 104729 % 10000000)::text, 7, '0'),
        lower(name)
      FROM (
          SELECT
            n,
            g[1 + n % array_length(g, 1)] || ' ' || f[1 + (n / 26) % array_length(f, 1)]
              || CASE WHEN n >= 650 THEN '-' || initcap(substr(md5(n::text), 1, 4)) ELSE '' END AS name
          FROM
            generate_series(0, $2::int - 1) AS n,
            string_to_array($3, ' ') AS g,
            string_to_array($4, ' ') AS f
        ) drawn
      ON CONFLICT (id) DO NOTHING`,
    [salonId, count, GIVEN, FAMILY],
  )

async function seedSeats(db: Db, salonId: string) {
  await execute(
    db,
    `INSERT INTO room (id, salon_id, name, closed_on)
      SELECT md5($1::uuid::text || 'room' || n)::uuid, $1::uuid, 'Seeded room ' || n, current_date
      FROM generate_series(1, $2::int) AS n
      ON CONFLICT DO NOTHING`,
    [salonId, SEATS],
  )
  await execute(
    db,
    `INSERT INTO practitioner (id, salon_id, name, left_on)
      SELECT md5($1::uuid::text || 'hands' || n)::uuid, $1::uuid, 'Seeded hands ' || n, current_date
      FROM generate_series(1, $2::int) AS n
      ON CONFLICT DO NOTHING`,
    [salonId, SEATS],
  )
}

/** Adds so many signed visits of the seeded clients, backwards from yesterday, on seats of their own. Gives how many were new. */
export async function seedVisits(db: Db, salonId: string, count: number): Promise<number> {
  if (count === 0) return 0
  await seedSeats(db, salonId)
  const added = await addVisits(db, salonId, count)
  await execute(
    db,
    `INSERT INTO outcome (visit_id, levers, note, planned_s, actual_s, signed_name)
      SELECT v.id, '[]', '', 4200, 4200, 'Seeded'
      FROM visit v
      WHERE v.salon_id = $1::uuid
        AND v.stage = 'closed'
        AND NOT EXISTS (SELECT FROM outcome o WHERE o.visit_id = v.id)`,
    [salonId],
  )
  return added
}

const addVisits = (db: Db, salonId: string, count: number): Promise<number> =>
  execute(
    db,
    `INSERT INTO visit (
        id,
        salon_id,
        client_id,
        room_id,
        practitioner_id,
        protocol_version_id,
        starts_at,
        ends_at,
        room_until,
        stage,
        locked_at
      )
      SELECT
        md5($1::uuid::text || 'visit' || n)::uuid,
        $1::uuid,
        c.ids[1 + n % array_length(c.ids, 1)],
        md5($1::uuid::text || 'room' || 1 + n % $3::int)::uuid,
        md5($1::uuid::text || 'hands' || 1 + n % $3::int)::uuid,
        v.id,
        at,
        at + interval '70 minutes',
        at + interval '80 minutes',
        'closed',
        at + interval '75 minutes'
      FROM
        generate_series(0, $2::int - 1) AS n,
        LATERAL (
          SELECT current_date - 1 - n / ($3::int * $4::int)
            + interval '8 hours' + interval '90 minutes' * (n / $3::int % $4::int) AS at
        ) clock,
        (SELECT array_agg(id ORDER BY id) AS ids FROM client WHERE salon_id = $1::uuid AND phone LIKE '+000 %') c,
        (SELECT id FROM protocol_version WHERE salon_id = $1::uuid ORDER BY id LIMIT 1) v
      ON CONFLICT DO NOTHING`,
    [salonId, count, SEATS, A_DAY],
  )
