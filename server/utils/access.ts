import { randomUUID } from 'node:crypto'
import type { H3Event } from 'h3'
import { useSession } from 'h3'
import { Forbidden, NotFound } from '#core/fault'
import type { Account } from '../db/access.sql'
import { accountOfSession, endSession, openSession, writeAudit } from '../db/access.sql'
import { visitById, type VisitRow } from '../db/visit.sql'
import { canDo, type Capability } from './capabilities'
import { useConfig } from './config'
import { useDb } from './db'
import { SignedOut } from './problem'

const SESSION_HOURS = 12

function sealed(event: H3Event) {
  const { sessionSecret, isTls } = useConfig()
  return useSession<{ sessionId?: string }>(event, {
    name: 'zen-session',
    password: sessionSecret,
    maxAge: SESSION_HOURS * 3600,
    cookie: { httpOnly: true, sameSite: 'strict', secure: isTls, path: '/' },
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
    throw new SignedOut({
      code: 'signed_out',
      detail: 'You are signed out. Sign in and go on where you were.',
    })
  if (!canDo(account.role, capability))
    throw new Forbidden({
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
    throw new NotFound({
      code: 'no_visit',
      detail: 'There is no such visit in this salon.',
      path: 'id',
    })
  return { account, visit }
}
