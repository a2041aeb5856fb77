import { defineEventHandler, getQuery, getRouterParam, sendNoContent, type H3Event } from 'h3'
import type { PoolClient } from 'pg'
import type { z } from 'zod'
import { Conflict, NotFound } from '#core/fault'
import { writeAudit, type Account } from '../db/access.sql'
import { restrictionOf } from '../db/rights.sql'
import { protocolById, type ProtocolRow } from '../db/protocol.sql'
import { inSalon } from '../db/rows'
import { lockVisit, visitById, type VisitRow } from '../db/visit.sql'
import { requireCan, type Handed } from './access'
import { readJson } from './body'
import type { Capability } from './capabilities'
import { useDb } from './db'
import { isAtRest, requireClient } from './open-client'
import { parsed } from './problem'

/** What a route lets in, as data: who may, and what shape query and body have. Tests read it off every route. */
export interface Door<Query extends z.ZodType, Body extends z.ZodType> {
  readonly can: Capability
  readonly query?: Query
  readonly body?: Body
  /** Answered while the tablet is in a client's hands; left out, it is not. */
  readonly handed?: Handed
  /** Bytes of the body at the most (`BODY_MOST`); default: its own. */
  readonly most?: number
  /** How the body is read where it is no JSON: before any connection to the database is held. */
  readonly read?: (event: H3Event) => Promise<unknown>
  /** What has to hold first and takes a connection of its own: a transaction that waited for another of the same pool would wait for itself. */
  readonly before?: (asked: Asked<Body>) => Promise<unknown>
}
interface Asked<Body extends z.ZodType> {
  readonly event: H3Event
  readonly account: Account
  readonly body: z.infer<Body>
}

/** What a route works with: everything parsed, and one transaction that sees this salon's rows alone. */
export interface Scene<Query extends z.ZodType, Body extends z.ZodType> {
  readonly db: PoolClient
  readonly event: H3Event
  readonly account: Account
  readonly query: z.infer<Query>
  readonly body: z.infer<Body>
}

/** Finds what a route is about before its body is looked at: what is not there is 404, whatever was sent. */
type Find<Found> = (db: PoolClient, event: H3Event, account: Account) => Promise<Found>

/**
 * A route: who may, what is read, then all of it or none in one transaction of the salon. The reply goes out after it has been
 * kept; what `work` gives is the reply, nothing is 204. `work` may run again where the database asks for it: it changes nothing but rows.
 */
function defineRoute<Query extends z.ZodType, Body extends z.ZodType, Found, Result>(
  door: Door<Query, Body>,
  find: Find<Found>,
  work: (scene: Scene<Query, Body> & Found) => Promise<Result> | Result,
) {
  const handler = defineEventHandler(async (event) => {
    const account = await requireCan(event, door.can, door.handed)
    const read = door.read ?? ((asked: H3Event) => readJson(asked, door.most))
    const sent = door.body && (await read(event))
    if (door.before && door.body)
      await door.before({ event, account, body: parsed(door.body, sent) })
    const result = await inSalon(useDb(event), account.salon_id, async (db) => {
      const found = await find(db, event, account)
      const query = door.query && parsed(door.query, getQuery(event))
      const body = door.body && parsed(door.body, sent)
      return work({ ...{ db, event, account }, query: query!, body: body!, ...found })
    })
    if (result === undefined) await sendNoContent(event)
    return result
  })
  return Object.assign(handler, { door })
}

/** A route of the salon. */
export const defineDoor = <
  Result,
  Query extends z.ZodType = z.ZodUndefined,
  Body extends z.ZodType = z.ZodUndefined,
>(
  door: Door<Query, Body>,
  work: (scene: Scene<Query, Body>) => Promise<Result> | Result,
) => defineRoute(door, () => Promise.resolve({}), work)

interface VisitDoor<Query extends z.ZodType, Body extends z.ZodType> extends Door<Query, Body> {
  /** Name of the audit row that every such request leaves with the client. */
  readonly action?: string
}

/** A route below /api/visits/:id: the visit is of this salon, else 404. */
export const defineVisitDoor = <
  Result,
  Query extends z.ZodType = z.ZodUndefined,
  Body extends z.ZodType = z.ZodUndefined,
>(
  door: VisitDoor<Query, Body>,
  work: (scene: Scene<Query, Body> & { readonly visit: VisitRow }) => Promise<Result> | Result,
) =>
  defineRoute(door, findVisit, async (scene) => {
    const result = await work(scene)
    if (door.action) {
      const { db, account, visit } = scene
      await writeAudit(db, account.id, door.action, 'client', visit.client_id, { visit: visit.id })
    }
    return result
  })

interface ClientDoor<Query extends z.ZodType, Body extends z.ZodType> extends Door<Query, Body> {
  readonly action: string
  /** Answered for a record that rests, too. */
  readonly atRest?: true
}

/** A route below /api/clients/:id: the client is of this salon, else 404. Every such request leaves a row in the log with the client. */
export const defineClientDoor = <
  Result,
  Query extends z.ZodType = z.ZodUndefined,
  Body extends z.ZodType = z.ZodUndefined,
>(
  door: ClientDoor<Query, Body>,
  work: (scene: Scene<Query, Body> & { readonly client: ClientHead }) => Promise<Result> | Result,
) =>
  defineRoute(door, findClient(door.atRest === true), async (scene) => {
    const result = await work(scene)
    const { db, account, client } = scene
    await writeAudit(db, account.id, door.action, 'client', client.id)
    return result
  })

/** A route below /api/protocols/:id: the protocol is of this salon, else 404. */
export const defineProtocolDoor = <
  Result,
  Query extends z.ZodType = z.ZodUndefined,
  Body extends z.ZodType = z.ZodUndefined,
>(
  door: Door<Query, Body>,
  work: (
    scene: Scene<Query, Body> & { readonly protocol: ProtocolRow },
  ) => Promise<Result> | Result,
) => defineRoute(door, findProtocol, work)

const UUID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/
/** A part of the path that has to be a uuid; undefined where it is none. */
export function uuidParam(event: H3Event, name: string): string | undefined {
  const id = getRouterParam(event, name) ?? ''
  return UUID.test(id) ? id : undefined
}

const findVisit: Find<{ visit: VisitRow }> = async (db, event, account) => {
  const id = uuidParam(event, 'id')
  // Two changes of one visit wait for each other, so that neither works with what the other is about to change.
  if (id && event.method !== 'GET') await lockVisit(db, account.salon_id, id)
  const visit = id && (await visitById(db, account.salon_id, id))
  if (!visit)
    throw new NotFound({
      code: 'no_visit',
      detail: 'There is no such visit in this salon.',
      path: 'id',
    })
  if (visit.stage === 'called-off' && event.method !== 'GET')
    throw new Conflict({
      code: 'called_off',
      detail: 'This visit was called off. Book another.',
    })
  const why = await restrictionOf(db, visit.client_id)
  if (why !== undefined) throw isAtRest(why)
  return { visit }
}

type ClientHead = Awaited<ReturnType<typeof requireClient>>
const findClient =
  (mayRest: boolean): Find<{ client: ClientHead }> =>
  async (db, event, account) => ({
    client: await requireClient(db, account.salon_id, uuidParam(event, 'id'), { mayRest }),
  })

const SHORT_ID = /^[a-z0-9][a-z0-9-]{0,79}$/

const findProtocol: Find<{ protocol: ProtocolRow }> = async (db, event, account) => {
  const id = getRouterParam(event, 'id') ?? ''
  const protocol = SHORT_ID.test(id) && (await protocolById(db, account.salon_id, id))
  if (!protocol)
    throw new NotFound({ code: 'no_protocol', detail: 'There is no such protocol.', path: 'id' })
  return { protocol }
}
