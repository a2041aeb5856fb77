import { randomUUID } from 'node:crypto'
import { getRequestHeader, getRouterParam, useSession, type H3Event } from 'h3'
import { Forbidden } from '#core/fault'
import type { Account, SessionWay } from '../db/access.sql'
import {
  accountOfSession,
  endSession,
  endSessionsOf,
  isRevoked,
  openSession,
  writeAudit,
} from '../db/access.sql'
import { salonsOf } from '../db/branch.sql'
import { inSalon } from '../db/rows'
import { canDo, type Capability } from './capabilities'
import { useConfig } from './config'
import { poolOf, useDb, worldOf, worlds, type World } from './db'
import { insideOf } from './inside'
import { passOf } from './letters'
import { isLoopback, outsideOf } from './outside'
import { SignedOut } from './problem'
import { tabletOf } from './tablet'

const SESSION_HOURS = 12

/** What a browser carries: which world it is in, and its session in each. */
interface Carried {
  readonly world?: World
  readonly own?: string
  readonly demo?: string
}

function sealed(event: H3Event) {
  const { sessionSecret } = useConfig()
  return useSession<Carried>(event, {
    name: 'zen-session',
    password: sessionSecret,
    maxAge: SESSION_HOURS * 3600,
    cookie: { httpOnly: true, sameSite: 'strict', secure: outsideOf(event).isTls, path: '/' },
  })
}

/** Whether a request may see the demo studio: it is there, and whoever asks sits at this machine. */
export const maySeeDemo = (event: H3Event): boolean =>
  worlds().includes('demo') && isLoopback(event)

/** Reads which world a request is of. */
export async function chooseWorld(event: H3Event): Promise<void> {
  const inside = insideOf(event)
  const wanted = inside ? inside.world : (await sealed(event)).data.world
  event.context.world = wanted === 'demo' && (inside || maySeeDemo(event)) ? 'demo' : 'own'
}

/** Takes a browser over into another world; whoever is signed in there still is. */
export async function enterWorld(event: H3Event, world: World): Promise<void> {
  await (await sealed(event)).update({ world })
  event.context.world = world
}

const sessionIdOf = async (event: H3Event): Promise<string | undefined> =>
  (await sealed(event)).data[worldOf(event)]

/** Signs an account of a world in: a session row, named in a sealed cookie. What this browser was signed in as there before ends. */
export async function signIn(event: H3Event, world: World, account: Account, way: SessionWay) {
  await enterWorld(event, world)
  await endKept(event)
  const tablet = await tabletOf(event)
  const tabletId = tablet?.salonId === account.salon_id && !tablet.isRevoked ? tablet.id : null
  const id = randomUUID()
  const agent = (getRequestHeader(event, 'user-agent') ?? '').slice(0, MOST_AGENT)
  await inSalon(poolOf(world), account.salon_id, async (db) => {
    await openSession(db, { id, accountId: account.id, hours: SESSION_HOURS, agent, tabletId, way })
    await writeAudit(db, account.id, 'session.open', 'account', account.id, { way })
  })
  await (await sealed(event)).update({ [world]: id })
}
const MOST_AGENT = 200

/** Signs out: the session of this browser, or every one of its account. */
export async function signOut(event: H3Event, isEverywhere: boolean) {
  await endKept(event, isEverywhere)
  await (await sealed(event)).update({ [worldOf(event)]: undefined })
}

async function endKept(event: H3Event, isEverywhere = false) {
  const [pool, sessionId] = [useDb(event), await sessionIdOf(event)]
  const account = sessionId && (await accountOfSession(pool, sessionId))
  if (!account) return
  await inSalon(pool, account.salon_id, async (db) => {
    if (isEverywhere) await endSessionsOf(db, account.id, sessionId)
    else await endSession(db, sessionId)
    const action = isEverywhere ? 'session.end_all' : 'session.end'
    await writeAudit(db, account.id, action, 'account', account.id)
  })
  if (!isEverywhere) return
  const others = (await salonsOf(pool, account.id)).filter((one) => one.accountId !== account.id)
  for (const { salonId, accountId } of others)
    await inSalon(pool, salonId, (db) => endSessionsOf(db, accountId, sessionId))
}

export async function currentAccount(event: H3Event): Promise<Account | undefined> {
  const inside = insideOf(event)
  if (inside) return inside.account
  const sessionId = await sessionIdOf(event)
  return sessionId === undefined ? undefined : accountOfSession(useDb(event), sessionId)
}

/** The session of this browser, for a list of one's own. */
export const currentSessionId = sessionIdOf

/** What this browser may go on with: a pass for letters while it is signed in, and whether its session was called off elsewhere. */
export async function standingOf(event: H3Event): Promise<{ pass: string; revoked: boolean }> {
  const sessionId = await sessionIdOf(event)
  if (sessionId === undefined) return { pass: '', revoked: false }
  const revoked = await isRevoked(useDb(event), sessionId)
  return { pass: passOf(worldOf(event), sessionId), revoked }
}

/** What is answered while the tablet is in a client's hands: for their own visit, or in any case. */
export type Handed = 'visit' | 'always'
const isAnswered = (event: H3Event, { handed_visit_id: visitId }: Account, handed?: Handed) =>
  visitId === null ||
  handed === 'always' ||
  (handed === 'visit' && getRouterParam(event, 'id') === visitId)

/** The signed-in account, when its role may do this; else 401 or 403. */
export async function requireCan(
  event: H3Event,
  capability: Capability,
  handed?: Handed,
): Promise<Account> {
  const account = await currentAccount(event)
  if (!account)
    throw new SignedOut({
      code: 'signed_out',
      detail: 'You are signed out. Sign in and go on where you were.',
    })
  const mayAsk = isAnswered(event, account, handed)
  if (!mayAsk || !canDo(account.role, capability)) {
    const [path] = event.path.split('?')
    await inSalon(useDb(event), account.salon_id, (db) =>
      writeAudit(db, account.id, 'refused', 'route', `${event.method} ${path}`, { capability }),
    )
    throw mayAsk ? notAllowed() : isHandedOver()
  }
  return account
}

/** As if signed out: what a tablet sends meanwhile waits until it is taken back. */
const isHandedOver = (): SignedOut =>
  new SignedOut({
    code: 'handed_over',
    detail: 'This tablet is in a client’s hands. Take it back with your PIN first.',
  })
export const notAllowed = (): Forbidden =>
  new Forbidden({
    code: 'not_allowed',
    detail: 'Your role may not do this. Ask the owner of the salon.',
  })
