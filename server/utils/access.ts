import { randomUUID } from 'node:crypto'
import type { H3Event } from 'h3'
import { useSession } from 'h3'
import type { Account } from '../db/access.sql'
import { accountOfSession, endSession, openSession, writeAudit } from '../db/access.sql'
import { visitById, type VisitRow } from '../db/visit.sql'
import { useDb } from './db'
import { problem } from './problem'

/** What each role may do. Every route names one of these. */
const MAY = {
  booking: ['owner', 'practitioner', 'assistant', 'front_desk'],
  'health.read': ['owner', 'practitioner', 'assistant'],
  'health.write': ['owner', 'practitioner'],
  perform: ['owner', 'practitioner', 'assistant'],
  sign: ['owner', 'practitioner'],
  'protocol.write': ['owner', 'practitioner'],
  'rules.write': ['owner'],
  'shelf.read': ['owner', 'practitioner', 'assistant', 'front_desk'],
  'shelf.write': ['owner', 'practitioner', 'assistant'],
  'price.write': ['owner', 'practitioner'],
  'rates.write': ['owner'],
} as const satisfies Record<string, readonly Account['role'][]>
export type Capability = keyof typeof MAY

const SESSION_HOURS = 12

function sealed(event: H3Event) {
  const password = process.env.ZEN_SESSION_SECRET
  if (!password || password.length < 32)
    throw new Error('ZEN_SESSION_SECRET must be set, 32 characters or more. `npm start` makes one.')
  return useSession<{ sessionId?: string }>(event, {
    name: 'zen-session',
    password,
    maxAge: SESSION_HOURS * 3600,
    cookie: { httpOnly: true, sameSite: 'strict', secure: process.env.ZEN_TLS === '1', path: '/' },
  })
}

/** Signs an account in: a session row, named in a sealed cookie. */
export async function signIn(event: H3Event, account: Account) {
  const sessionId = randomUUID()
  await openSession(useDb(), sessionId, account.id, SESSION_HOURS)
  await (await sealed(event)).update({ sessionId })
  await writeAudit(useDb(), account.id, 'session.open', 'account', account.id)
}

export async function signOut(event: H3Event) {
  const session = await sealed(event)
  if (session.data.sessionId) await endSession(useDb(), session.data.sessionId)
  await session.clear()
}

export async function currentAccount(event: H3Event): Promise<Account | undefined> {
  const { data } = await sealed(event)
  return data.sessionId === undefined ? undefined : accountOfSession(useDb(), data.sessionId)
}

/** The signed-in account, when its role may do this; else 401 or 403. */
export async function requireCan(event: H3Event, capability: Capability): Promise<Account> {
  const account = await currentAccount(event)
  if (!account)
    throw problem(401, {
      code: 'signed_out',
      detail: 'You are signed out. Sign in and go on where you were.',
    })
  if (!(MAY[capability] as readonly string[]).includes(account.role))
    throw problem(403, {
      code: 'not_allowed',
      detail: 'Your role may not do this. Ask the owner of the salon.',
    })
  return account
}

/** The account and the visit of a route below /api/visits/:id, of the same salon; else 404. */
export async function requireVisit(
  event: H3Event,
  capability: Capability,
): Promise<{ account: Account; visit: VisitRow }> {
  const account = await requireCan(event, capability)
  const id = getRouterParam(event, 'id') ?? ''
  const visit = /^[0-9a-f-]{36}$/.test(id)
    ? await visitById(useDb(), account.salon_id, id)
    : undefined
  if (!visit)
    throw problem(404, {
      code: 'no_visit',
      detail: 'There is no such visit in this salon.',
      path: 'id',
    })
  return { account, visit }
}

export const canDo = (role: Account['role'], capability: Capability): boolean =>
  (MAY[capability] as readonly string[]).includes(role)
