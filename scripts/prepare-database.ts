import pg from 'pg'
import { DEMO_PASSWORD, PEOPLE } from '../demo/people'
import { loadDemo } from '../demo/load'
import { migrate } from '../server/db/migrate'
import { hasDemoSignIn, isEmpty } from '../server/db/salon.sql'

// Brings DATABASE_URL up to date and loads the demo studio into an empty one. Prints what it did as one line of JSON.
const client = new pg.Client({ connectionString: process.env.DATABASE_URL })
await client.connect()
try {
  const migrations = await migrate(client)
  const db = client as unknown as pg.PoolClient
  await client.query('BEGIN')
  // Two starting together: the second waits here and then finds the demo.
  await client.query('LOCK TABLE salon IN EXCLUSIVE MODE')
  const empty = await isEmpty(db)
  if (empty && process.env.ZEN_DEMO !== '0')
    await loadDemo(db, process.env.ZEN_TODAY ?? new Date().toISOString().slice(0, 10))
  await client.query('COMMIT')
  const demo = await hasDemoSignIn(db)
  console.log(
    JSON.stringify({
      migrations,
      loadedDemo: empty && process.env.ZEN_DEMO !== '0',
      demo: demo ? { email: PEOPLE[1].email, password: DEMO_PASSWORD } : null,
    }),
  )
} catch (error) {
  await client.query('ROLLBACK')
  throw error
} finally {
  await client.end()
}
