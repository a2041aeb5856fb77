import { Pool } from 'pg'

let pool: Pool | undefined

/** The pool of this process, made on first use from DATABASE_URL. It holds no other state. */
export function useDb(): Pool {
  const connectionString = process.env.DATABASE_URL
  if (!connectionString) throw new Error('DATABASE_URL is not set. Start with `npm start`.')
  pool ??= new Pool({ connectionString, max: 10 })
  // A connection lost while idle is made again at the next query; without this listener it would end the process.
  if (pool.listenerCount('error') === 0)
    pool.on('error', (error) => console.error(`Database connection lost: ${error.message}`))
  return pool
}
