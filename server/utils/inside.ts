import { randomBytes } from 'node:crypto'
import { getRequestHeader, type H3Event } from 'h3'
import type { Account } from '../db/access.sql'
import type { World } from './db'

interface Asked {
  readonly world: World
  readonly account: Account
  readonly body: string
}
/** Questions that the server asks itself for somebody, while they are asked: the token is in nobody's hands but its own. */
const asked = new Map<string, Asked>()
const HEADER = 'x-zen-inside'
const TOKEN_BYTES = 32

interface Question {
  readonly method: string
  readonly path: string
  readonly body: unknown
}

/** Asks a route of our own for an account of a world, through the same door as from outside. */
export async function askAs(
  world: World,
  account: Account,
  { method, path, body }: Question,
): Promise<{ readonly status: number; readonly detail: string }> {
  const token = randomBytes(TOKEN_BYTES).toString('hex')
  asked.set(token, { world, account, body: JSON.stringify(body ?? null) })
  try {
    const reply = await useNitroApp().localFetch(path, {
      method,
      headers: { [HEADER]: token, 'content-type': 'application/json' },
    })
    const said = (await reply.json().catch(() => ({}))) as { detail?: string }
    return { status: reply.status, detail: said.detail ?? '' }
  } finally {
    asked.delete(token)
  }
}

/** For whom the server asks itself, and with what; undefined for a request from outside. */
export function insideOf(event: H3Event) {
  const token = getRequestHeader(event, HEADER)
  return token === undefined ? undefined : asked.get(token)
}
