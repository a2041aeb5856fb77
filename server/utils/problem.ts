import { createError } from 'h3'
import type { z } from 'zod'

/** What a person can be told: what, where and what to do (RFC 9457 problem details). */
export interface Problem {
  readonly code: string
  readonly detail: string
  readonly path?: string | undefined
  readonly faults?: readonly { path: string; says: string }[]
}

/** An error reply; thrown by routes. */
export const problem = (status: number, body: Problem) =>
  createError({ statusCode: status, message: body.detail, data: body })

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

/** Parses what came in, control characters taken out of its texts, or throws a 400 that names every field; `path` is the first of them. */
export function parseOr400<T extends z.ZodType>(schema: T, value: unknown): z.infer<T> {
  const parsed = schema.safeParse(withoutControls(value))
  if (parsed.success) return parsed.data
  const faults = parsed.error.issues.map((issue) => ({
    path: issue.path.join('.'),
    says: issue.message,
  }))
  throw problem(400, {
    code: 'invalid',
    detail: faults.map((fault) => `${fault.path || 'body'}: ${fault.says}`).join('; '),
    path: faults[0]?.path,
    faults,
  })
}

const CLASHES: Readonly<Record<string, { status: number; code: string; detail: string }>> = {
  visit_room_free: {
    status: 409,
    code: 'room_taken',
    detail: 'The room is taken at that time, turnover included. Choose another time or room.',
  },
  practitioner_free: {
    status: 409,
    code: 'practitioner_taken',
    detail: 'The practitioner has another visit at that time. Choose another time or person.',
  },
  fitted_plan_visit_id_revision_key: {
    status: 409,
    code: 'fitted_meanwhile',
    detail: 'This visit was fitted on another device meanwhile. Open it again.',
  },
  consent_text_salon_id_kind_version_key: {
    status: 409,
    code: 'published_meanwhile',
    detail:
      'Somebody published other words meanwhile. Open the consent again and repeat your change.',
  },
  kit_opening_visit_id_kit_id_key: {
    status: 409,
    code: 'opened',
    detail: 'This kit is opened for this visit already.',
  },
  protocol_version_pkey: {
    status: 409,
    code: 'published_meanwhile',
    detail: 'Somebody published this protocol meanwhile. Open it again and repeat your change.',
  },
  protocol_version_protocol_id_version_key: {
    status: 409,
    code: 'published_meanwhile',
    detail: 'Somebody published this protocol meanwhile. Open it again and repeat your change.',
  },
}

/** Words for what the database refused; other errors go on unchanged. */
export function explainDatabase(error: unknown): unknown {
  const { constraint, code, message } = error as {
    constraint?: string
    code?: string
    message?: string
  }
  const clash = constraint === undefined ? undefined : CLASHES[constraint]
  if (clash) return problem(clash.status, clash)
  // restrict_violation: raised by our own triggers, with a sentence of their own.
  if (code === '23001')
    return problem(409, {
      code: 'locked',
      detail: `${message ?? 'It is locked'}. Add a note instead.`,
    })
  return error
}
