import { randomUUID } from 'node:crypto'
import type { H3Event } from 'h3'
import { useSession } from 'h3'
import { Forbidden } from '#core/fault'
import type { Account } from '../db/access.sql'
import {
  accountOfSession,
  endSession,
  endSessionsOf,
  isRevoked,
  openSession,
  writeAudit,
} from '../db/access.sql'
import { inSalon } from '../db/rows'
import { canDo, type Capability } from './capabilities'
import { useConfig } from './config'
import { useDb } from './db'
import { insideOf } from './inside'
import { passOf } from './letters'
import { outsideOf } from './outside'
import { SignedOut } from './problem'

const SESSION_HOURS = 12

function sealed(event: H3Event) {
  const { sessionSecret } = useConfig()
  return useSession<{ sessionId?: string }>(event, {
    name: 'zen-session',
    password: sessionSecret,
    maxAge: SESSION_HOURS * 3600,
    cookie: { httpOnly: true, sameSite: 'strict', secure: outsideOf(event).isTls, path: '/' },
  })
}

/** Signs an account in: a session row, named in a sealed cookie. What this browser was signed in as before ends. */
export async function signIn(event: H3Event, account: Account) {
  const session = await sealed(event)
  await endKept(session.data.sessionId)
  const sessionId = randomUUID()
  await inSalon(useDb(), account.salon_id, async (db) => {
    await openSession(db, sessionId, account.id, SESSION_HOURS)
    await writeAudit(db, account.id, 'session.open', 'account', account.id)
  })
  await session.update({ sessionId })
}

/** Signs out: the session of this browser, or every one of its account. */
export async function signOut(event: H3Event, isEverywhere: boolean) {
  const session = await sealed(event)
  await endKept(session.data.sessionId, isEverywhere)
  await session.clear()
}

async function endKept(sessionId: string | undefined, isEverywhere = false) {
  const account = sessionId && (await accountOfSession(useDb(), sessionId))
  if (!account) return
  await inSalon(useDb(), account.salon_id, async (db) => {
    if (isEverywhere) await endSessionsOf(db, account.id, sessionId)
    else await endSession(db, sessionId)
    const action = isEverywhere ? 'session.end_all' : 'session.end'
    await writeAudit(db, account.id, action, 'account', account.id)
  })
}

export async function currentAccount(event: H3Event): Promise<Account | undefined> {
  const inside = insideOf(event)
  if (inside) return inside.account
  const { data } = await sealed(event)
  return data.sessionId === undefined ? undefined : accountOfSession(useDb(), data.sessionId)
}

/** What this browser may go on with: a pass for letters while it is signed in, and whether its session was called off elsewhere. */
export async function standingOf(event: H3Event): Promise<{ pass: string; revoked: boolean }> {
  const { sessionId } = (await sealed(event)).data
  if (sessionId === undefined) return { pass: '', revoked: false }
  return { pass: passOf(sessionId), revoked: await isRevoked(useDb(), sessionId) }
}

/** The signed-in account, when its role may do this; else 401 or 403. */
export async function requireCan(event: H3Event, capability: Capability): Promise<Account> {
  const account = await currentAccount(event)
  if (!account)
    throw new SignedOut({
      code: 'signed_out',
      detail: 'You are signed out. Sign in and go on where you were.',
    })
  if (!canDo(account.role, capability)) {
    const [path] = event.path.split('?')
    await inSalon(useDb(), account.salon_id, (db) =>
      writeAudit(db, account.id, 'refused', 'route', `${event.method} ${path}`, { capability }),
    )
    throw notAllowed()
  }
  return account
}

export const notAllowed = (): Forbidden =>
  new Forbidden({
    code: 'not_allowed',
    detail: 'Your role may not do this. Ask the owner of the salon.',
  })
