import { z } from 'zod'
import { execute, many, type Db } from './rows'

export const MESSAGE_KINDS = ['invitation', 'password', 'confirmation', 'called-off'] as const
export type MessageKind = (typeof MESSAGE_KINDS)[number]
const STATES = ['waits', 'shown', 'sent', 'given-up'] as const

interface NewMessage {
  readonly id: string
  readonly kind: MessageKind
  readonly clientId?: string
  readonly visitId?: string
  readonly accountId?: string
  readonly to: string
  readonly subject: string
  readonly body: string
  readonly calendar?: string
  readonly by: string
  /** Nobody sends: it stands in the mail box on the screen. */
  readonly isShown: boolean
}
export const addMessage = (db: Db, message: NewMessage) =>
  execute(
    db,
    `INSERT INTO message (id, kind, client_id, visit_id, account_id, to_address, subject, body, calendar, made_by, state)
      VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11)`,
    [
      ...[message.id, message.kind, message.clientId ?? null, message.visitId ?? null],
      ...[message.accountId ?? null, message.to, message.subject, message.body],
      ...[message.calendar ?? null, message.by, message.isShown ? 'shown' : 'waits'],
    ],
  )

const Row = z.object({
  id: z.string(),
  kind: z.enum(MESSAGE_KINDS),
  to: z.string(),
  subject: z.string(),
  body: z.string(),
  calendar: z.string().nullable(),
  madeAt: z.date(),
  by: z.string().nullable(),
  state: z.enum(STATES),
  sentAt: z.date().nullable(),
  trouble: z.string().nullable(),
})
/** The newest messages of the salon, the newest first. */
export const listMessages = (db: Db, salonId: string, most: number) =>
  many(
    db,
    Row,
    `SELECT
        m.id,
        m.kind,
        m.to_address AS "to",
        m.subject,
        m.body,
        m.calendar,
        m.made_at AS "madeAt",
        a.name AS by,
        m.state,
        m.sent_at AS "sentAt",
        m.trouble
      FROM message m
        LEFT JOIN account a ON a.salon_id = m.salon_id AND a.id = m.made_by
      WHERE m.salon_id = $1
      ORDER BY m.made_at DESC, m.id
      LIMIT $2`,
    [salonId, most],
  )

const Claimed = z.object({
  id: z.string(),
  kind: z.enum(MESSAGE_KINDS),
  to: z.string(),
  subject: z.string(),
  body: z.string(),
  calendar: z.string().nullable(),
})
export type Outgoing = z.infer<typeof Claimed>
/** Takes messages that are due, of every salon; another sender leaves them alone. */
export const claimMessages = (db: Db, most: number) =>
  many(
    db,
    Claimed,
    `SELECT id, kind, to_address AS "to", subject, body, calendar
      FROM claim_messages($1)`,
    [most],
  )
const MOST_TRIES = 8
/** Writes down what became of a message; `said`: why it did not go. */
export const settleMessage = (db: Db, id: string, went: boolean, said: string) =>
  execute(db, 'SELECT settle_message($1, $2, $3, $4)', [id, went, said, MOST_TRIES])
