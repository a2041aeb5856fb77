import type { z } from 'zod'
import { Conflict, Fault, Invalid, NotFound, type FaultKind, type Problem } from '#core/fault'
import { idTaken } from '../db/rows'

/** The status each kind of fault is told with. */
export const STATUS_OF: Readonly<Record<FaultKind, number>> = {
  invalid: 400,
  'signed-out': 401,
  forbidden: 403,
  'not-found': 404,
  'wrong-method': 405,
  conflict: 409,
  infeasible: 409,
  'too-slow': 408,
  'too-large': 413,
  'wrong-type': 415,
  'too-many': 429,
  unavailable: 503,
}

/** Nobody is signed in, or not with what was typed. */
export class SignedOut extends Fault {
  readonly kind = 'signed-out'
}
/** The address is there, but not for this method. */
export class WrongMethod extends Fault {
  readonly kind = 'wrong-method'
}
export class TooSlow extends Fault {
  readonly kind = 'too-slow'
}
export class TooLarge extends Fault {
  readonly kind = 'too-large'
}
/** What was sent is of a kind that is not taken. */
export class WrongType extends Fault {
  readonly kind = 'wrong-type'
}
export class TooMany extends Fault {
  readonly kind = 'too-many'
}
/** The database is away, or too busy: the same may be asked again in a little while. */
export class Unavailable extends Fault {
  readonly kind = 'unavailable'
}

// Control characters carry no meaning in any field of ours, and PostgreSQL keeps no U+0000: a paste that brings them along loses them, not its text.
// eslint-disable-next-line no-control-regex
const CONTROLS = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F]/g
function withoutControls(value: unknown): unknown {
  if (typeof value === 'string') return value.replace(CONTROLS, '')
  if (Array.isArray(value)) return value.map(withoutControls)
  if (!isPlainObject(value)) return value
  const entries = Object.entries(value).map(([key, inner]) => [key, withoutControls(inner)])
  return Object.fromEntries(entries)
}

const isPlainObject = (value: unknown): value is object =>
  value !== null && typeof value === 'object' && Object.getPrototypeOf(value) === Object.prototype

/** Parses what came in, control characters taken out of its texts, or throws an Invalid that names every field; `path` is the first of them. */
export function parsed<T extends z.ZodType>(schema: T, value: unknown): z.infer<T> {
  const result = schema.safeParse(withoutControls(value))
  if (result.success) return result.data
  const faults = result.error.issues.map((issue) => ({
    path: issue.path.join('.'),
    says: issue.message,
  }))
  throw new Invalid({
    code: 'invalid',
    detail: faults.map((fault) => `${fault.path || 'body'}: ${fault.says}`).join('; '),
    path: faults[0]?.path,
    faults,
  })
}

const CLASHES: Readonly<Record<string, Problem>> = {
  visit_room_free: {
    code: 'room_taken',
    detail: 'The room is taken at that time, turnover included. Choose another time or room.',
  },
  client_free: {
    code: 'client_taken',
    detail: 'This client has another visit at that time. Choose another time.',
  },
  practitioner_free: {
    code: 'practitioner_taken',
    detail: 'The practitioner has another visit at that time. Choose another time or person.',
  },
  account_email_home: {
    code: 'email_taken',
    detail: 'Somebody signs in with this address already.',
    path: 'email',
  },
  account_email_salon: {
    code: 'email_taken',
    detail: 'Somebody signs in with this address already.',
    path: 'email',
  },
  room_salon_id_name_key: {
    code: 'name_taken',
    detail: 'There is a room of that name already.',
    path: 'name',
  },
  fitted_plan_visit_id_revision_key: {
    code: 'fitted_meanwhile',
    detail: 'This visit was fitted on another device meanwhile. Open it again.',
  },
  consent_text_salon_id_kind_version_key: {
    code: 'published_meanwhile',
    detail:
      'Somebody published other words meanwhile. Open the consent again and repeat your change.',
  },
  kit_opening_visit_id_kit_id_key: {
    code: 'opened',
    detail: 'This kit is opened for this visit already.',
  },
  protocol_version_pkey: {
    code: 'published_meanwhile',
    detail: 'Somebody published this protocol meanwhile. Open it again and repeat your change.',
  },
  protocol_version_protocol_id_version_key: {
    code: 'published_meanwhile',
    detail: 'Somebody published this protocol meanwhile. Open it again and repeat your change.',
  },
}
/** restrict_violation: raised by our own triggers, with a sentence of their own. */
const RESTRICTED = '23001'

interface Refusal {
  readonly constraint?: string
  readonly code?: string
  readonly message?: string
}

/** Words for what the database refused; other errors go on unchanged. */
export function explainDatabase(error: unknown): unknown {
  const { constraint, code, message } = error as Refusal
  const clash = constraint === undefined ? undefined : CLASHES[constraint]
  if (clash) return new Conflict(clash)
  if (code === RESTRICTED)
    return new Conflict({
      code: 'locked',
      detail: `${message ?? 'It is locked'}. Add a note instead.`,
    })
  if (isAway(error as Refusal))
    return new Unavailable({
      code: 'unavailable',
      detail:
        'The server cannot reach its records at the moment. What you typed is still here; it is tried again.',
    })
  return explainKind(code, constraint) ?? error
}

/** Connections lost or refused (class 08, 57P0x), none left (53xxx), waited too long (57014, 55P03, 25P03), or again and again in each other's way. */
const AWAY = /^(?:08|53|57P0|57014|55P03|25P03|40001|40P01|ECONN|EPIPE|ETIMEDOUT|ENOTFOUND)/
/** What the driver says without a code of its own (pg 8). */
const LOST = /timeout exceeded when trying to connect|Connection terminated|connection error/i
const isAway = ({ code, message }: Refusal): boolean =>
  AWAY.test(code ?? '') || (code === undefined && LOST.test(message ?? ''))

/** What was sent and got past its schema, by the kind of the refusal (PostgreSQL, appendix A: SQLSTATE). Names of ours alone are told. */
function explainKind(code: string | undefined, constraint: string | undefined): Fault | undefined {
  if (code === '23503')
    return new NotFound({
      code: 'not_here',
      detail:
        'Something that this names is not in this salon. Open the page again and choose anew.',
      ...(constraint ? { path: fieldOf(constraint) } : {}),
    })
  if (code === '23505') return idTaken('id')
  if (code === '23514')
    return new Invalid({
      code: 'invalid',
      detail: 'A value here is not possible. Check dates and amounts.',
    })
  // Class 22: a value that no column of its kind can hold.
  if (code?.startsWith('22'))
    return new Invalid({
      code: 'invalid',
      detail: 'A value here cannot be kept. Check what was typed.',
    })
  return undefined
}

/** `visit_room_id_fkey` is about `roomId`. */
const fieldOf = (constraint: string): string =>
  (/_([a-z]+(?:_id)?)_fkey$/.exec(constraint)?.[1] ?? constraint).replace(/_id$/, 'Id')
