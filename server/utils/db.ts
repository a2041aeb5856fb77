import { Pool } from 'pg'
import { useConfig } from './config'
import { log, withoutData } from './log'

let pool: Pool | undefined

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

/** The pool of this process, made on first use from DATABASE_URL. It holds no other state. */
export function useDb(): Pool {
  pool ??= new Pool({ connectionString: useConfig().databaseUrl, ...LIMITS })
  // A connection lost while idle is made again at the next query; without this listener it would end the process.
  if (pool.listenerCount('error') === 0)
    pool.on('error', (error) =>
      log.error({ error: withoutData(error) }, 'database connection lost'),
    )
  // One that is lost while somebody works with it: what they asked fails by itself, and is told there.
  if (pool.listenerCount('connect') === 0)
    pool.on('connect', (client) => client.on('error', () => {}))
  return pool
}
