import { Pool } from 'pg'
import { useConfig } from './config'
import { log, withoutData } from './log'

let pool: Pool | undefined

/** The pool of this process, made on first use from DATABASE_URL. It holds no other state. */
export function useDb(): Pool {
  pool ??= new Pool({ connectionString: useConfig().databaseUrl, max: 10 })
  // A connection lost while idle is made again at the next query; without this listener it would end the process.
  if (pool.listenerCount('error') === 0)
    pool.on('error', (error) =>
      log.error({ error: withoutData(error) }, 'database connection lost'),
    )
  return pool
}
