import { z } from 'zod'
import { MAP_VIEWS } from '#core/skin'
import { addOnce, many, maybeOne, type Db } from './rows'

export const MOMENTS = ['start', 'end'] as const
const Listed = z.object({
  id: z.string(),
  visitId: z.string(),
  on: z.string(),
  view: z.enum(MAP_VIEWS),
  moment: z.enum(MOMENTS),
  light: z.string(),
  takenAt: z.date(),
  width: z.number(),
  height: z.number(),
})
/** Photographs of a client without their bytes, oldest first. */
export const listPhotos = (db: Db, clientId: string, timeZone: string) =>
  many(
    db,
    Listed,
    `SELECT
        p.id,
        p.visit_id AS "visitId",
        to_char(v.starts_at AT TIME ZONE $2, 'YYYY-MM-DD') AS "on",
        p.view,
        p.moment,
        p.light,
        p.taken_at AS "takenAt",
        p.width,
        p.height
      FROM photo p
        JOIN visit v ON v.id = p.visit_id
      WHERE p.client_id = $1
      ORDER BY v.starts_at, p.taken_at`,
    [clientId, timeZone],
  )
export const photoBytes = (db: Db, id: string, clientId: string) =>
  maybeOne(
    db,
    z.object({ bytes: z.instanceof(Buffer) }),
    'SELECT bytes FROM photo WHERE id = $1 AND client_id = $2',
    [id, clientId],
  )
export const addPhoto = (
  db: Db,
  photo: {
    id: string
    clientId: string
    visitId: string
    view: string
    moment: string
    light: string
    width: number
    height: number
    bytes: Buffer
  },
  accountId: string,
) =>
  addOnce(
    db,
    [
      `INSERT INTO photo (id, client_id, visit_id, view, moment, light, width, height, bytes, recorded_by)
      VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10)
      ON CONFLICT (id) DO NOTHING`,
      [
        photo.id,
        photo.clientId,
        photo.visitId,
        photo.view,
        photo.moment,
        photo.light,
        photo.width,
        photo.height,
        photo.bytes,
        accountId,
      ],
    ],
    [
      `SELECT FROM photo WHERE id = $1 AND visit_id = $2 AND view = $3 AND moment = $4`,
      [photo.id, photo.visitId, photo.view, photo.moment],
    ],
  )
