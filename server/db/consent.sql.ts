import { z } from 'zod'
import { addOnce, execute, many, maybeOne, type Db } from './rows'

export const CONSENT_KINDS = ['treatment', 'guardian', 'photo-record', 'photo-publish'] as const
export type ConsentKind = (typeof CONSENT_KINDS)[number]

const Text = z.object({
  id: z.string(),
  kind: z.enum(CONSENT_KINDS),
  version: z.number(),
  title: z.string(),
  body: z.string(),
})
/** The newest text of every kind of consent. */
export const newestTexts = (db: Db, salonId: string) =>
  many(
    db,
    Text,
    `SELECT DISTINCT ON (kind) id, kind, version, title, body
      FROM consent_text
      WHERE salon_id = $1
      ORDER BY kind, version DESC`,
    [salonId],
  )
/** A consent's words, and the day (ISO) on which the salon first had words of that kind. */
export const textById = (db: Db, salonId: string, id: string) =>
  maybeOne(
    db,
    Text.extend({ firstOn: z.string() }),
    `SELECT
        t.id,
        t.kind,
        t.version,
        t.title,
        t.body,
        (
          SELECT to_char(min(f.published_at) AT TIME ZONE s.time_zone, 'YYYY-MM-DD')
          FROM consent_text f
          WHERE f.salon_id = t.salon_id
            AND f.kind = t.kind
        ) AS "firstOn"
      FROM consent_text t
        JOIN salon s ON s.id = t.salon_id
      WHERE t.salon_id = $1
        AND t.id = $2`,
    [salonId, id],
  )
export const publishText = (db: Db, salonId: string, text: z.infer<typeof Text>) =>
  execute(
    db,
    `INSERT INTO consent_text (id, salon_id, kind, version, title, body)
      VALUES ($1, $2, $3, $4, $5, $6)`,
    [text.id, salonId, text.kind, text.version, text.title, text.body],
  )

const Signed = z.object({
  id: z.string(),
  kind: z.enum(CONSENT_KINDS),
  version: z.number(),
  title: z.string(),
  body: z.string(),
  signer: z.string(),
  relation: z.enum(['client', 'guardian']),
  signedOn: z.string(),
  withdrawnOn: z.string().nullable(),
  signature: z.string(),
})
/** Every signed consent of a client with the exact words that were signed, newest first. */
export const listConsents = (db: Db, clientId: string) =>
  many(
    db,
    Signed,
    `SELECT
        c.id,
        t.kind,
        t.version,
        t.title,
        t.body,
        c.signer,
        c.relation,
        to_char(c.signed_on, 'YYYY-MM-DD') AS "signedOn",
        to_char(c.withdrawn_on, 'YYYY-MM-DD') AS "withdrawnOn",
        c.signature
      FROM consent c
        JOIN consent_text t ON t.id = c.text_id
      WHERE c.client_id = $1
      ORDER BY c.recorded_at DESC`,
    [clientId],
  )
/** Keeps a signature; sent twice it is kept once. */
export const addConsent = (
  db: Db,
  consent: {
    id: string
    clientId: string
    visitId: string
    textId: string
    signer: string
    relation: 'client' | 'guardian'
    signedOn: string
    signature: string
  },
  accountId: string,
) =>
  addOnce(
    db,
    [
      `INSERT INTO consent (
        id,
        client_id,
        visit_id,
        text_id,
        signer,
        relation,
        signed_on,
        signature,
        recorded_by
      )
      VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9)
      ON CONFLICT (id) DO NOTHING`,
      [
        consent.id,
        consent.clientId,
        consent.visitId,
        consent.textId,
        consent.signer,
        consent.relation,
        consent.signedOn,
        consent.signature,
        accountId,
      ],
    ],
    [
      `SELECT FROM consent WHERE id = $1 AND client_id = $2 AND text_id = $3 AND signature = $4`,
      [consent.id, consent.clientId, consent.textId, consent.signature],
    ],
  )
/** Withdraws a consent that holds, from a day on. */
export const withdrawConsent = (db: Db, id: string, clientId: string, on: string) =>
  execute(
    db,
    `UPDATE consent
      SET withdrawn_on = $3
      WHERE id = $1
        AND client_id = $2
        AND withdrawn_on IS NULL`,
    [id, clientId, on],
  )
export const holdsConsent = async (db: Db, clientId: string, kind: ConsentKind): Promise<boolean> =>
  (await listConsents(db, clientId)).some(
    (consent) => consent.kind === kind && consent.withdrawnOn === null,
  )
