import type { H3Event } from 'h3'
import { Pool } from 'pg'
import { useConfig } from './config'
import { log, withoutData } from './log'

/** A salon of one's own, and the demo studio beside it: two databases, of which a request sees one. */
export const WORLDS = ['own', 'demo'] as const
export type World = (typeof WORLDS)[number]

/**
 * Nobody waits for ever: for a connection, for an answer, for somebody else's lock. A transaction that its request has forgotten is ended by the
 * database.
 */
const LIMITS = {
  max: 10,
  connectionTimeoutMillis: 5000,
  statement_timeout: 20_000,
  lock_timeout: 10_000,
  idle_in_transaction_session_timeout: 60_000,
  /** Statements that do not wait for each other go in one trip. */
  pipeline: true,
} as const

/** The pools of this process, each made on first use. It holds no other state. */
const pools = new Map<World, Pool>()

/** Where the database of a world is; undefined where there is none. */
export const urlOf = (world: World): string | undefined =>
  world === 'own' ? useConfig().databaseUrl : useConfig().demoUrl

/** Worlds that were taken away while this server ran. */
const closed = new Set<World>()

/** The worlds that this server was told of. */
export const worlds = (): World[] =>
  WORLDS.filter((world) => urlOf(world) !== undefined && !closed.has(world))

/** Lets go of a world whose database is about to be taken away. */
export async function closeWorld(world: World): Promise<void> {
  closed.add(world)
  await pools.get(world)?.end()
  pools.delete(world)
}
export const openWorld = (world: World): boolean => closed.delete(world)

/** The pool of a world; its own where there is no demo. */
export function poolOf(world: World): Pool {
  const known = pools.get(world)
  if (known) return known
  const pool = new Pool({ connectionString: urlOf(world) ?? useConfig().databaseUrl, ...LIMITS })
  // A connection lost while idle is made again at the next query; without this listener it would end the process.
  pool.on('error', (error) => log.error({ error: withoutData(error) }, 'database connection lost'))
  // One that is lost while somebody works with it: what they asked fails by itself, and is told there.
  pool.on('connect', (client) => client.on('error', () => {}))
  pools.set(world, pool)
  return pool
}

/** Which world a request is of; the middleware has read it off its cookie. */
export const worldOf = (event: H3Event): World =>
  (event.context.world as World | undefined) ?? 'own'

/** The pool of the world that a request is of. */
export const useDb = (event: H3Event): Pool => poolOf(worldOf(event))
