import pg from 'pg'
import { DEMO_PASSWORD, PEOPLE } from '../demo/people'
import { loadDemo } from '../demo/load'
import { migrate } from '../server/db/migrate'
import { ensureRoles, grantTo, roleOf, tooStrong } from '../server/db/roles'
import { hasDemoSignIn, isEmpty } from '../server/db/salon.sql'

// Brings a database up to date and loads the demo studio into an empty one. Prints what it did as one line of JSON. DATABASE_URL is who serves,
// ZEN_MIGRATE_URL who owns, ZEN_ADMIN_URL, in a cluster of our own, who makes these two.
const { DATABASE_URL = '', ZEN_MIGRATE_URL, ZEN_ADMIN_URL } = process.env

async function connected<T>(url: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    return await work(client)
  } finally {
    await client.end()
  }
}

async function prepare(client: pg.Client) {
  const migrations = await migrate(client)
  await grantTo(client, roleOf(DATABASE_URL).name)
  const db = client as unknown as pg.PoolClient
  await client.query('BEGIN')
  try {
    // Two starting together: the second waits here and then finds the demo.
    await client.query('LOCK TABLE salon IN EXCLUSIVE MODE')
    const loadedDemo = (await isEmpty(db)) && process.env.ZEN_DEMO !== '0'
    if (loadedDemo)
      await loadDemo(db, process.env.ZEN_TODAY ?? new Date().toISOString().slice(0, 10))
    await client.query('COMMIT')
    const demo = await hasDemoSignIn(db)
    return {
      migrations,
      loadedDemo,
      demo: demo ? { email: PEOPLE[1].email, password: DEMO_PASSWORD } : null,
    }
  } catch (error) {
    await client.query('ROLLBACK')
    throw error
  }
}

const owner = ZEN_MIGRATE_URL ?? DATABASE_URL
if (ZEN_ADMIN_URL)
  await connected(ZEN_ADMIN_URL, (admin) =>
    ensureRoles(admin, { owner: roleOf(owner), app: roleOf(DATABASE_URL) }),
  )
const done = await connected(owner, prepare)
const refused = await connected(DATABASE_URL, (app) => tooStrong(app as unknown as pg.PoolClient))
console.log(JSON.stringify({ ...done, refused }))
