import type pg from 'pg'
import { DEMO_PASSWORD, PEOPLE } from '../demo/people'
import { loadDemo } from '../demo/load'
import { migrate } from '../server/db/migrate'
import { ensureRoles, grantTo, roleOf, tooStrong } from '../server/db/roles'
import { hasDemoSignIn, hasSalon, setUpCode } from '../server/db/salon.sql'
import { connected, ensureDatabases, type Urls } from './lib/databases'

// Brings the salon's database up to date and the demo's beside it. Prints what it did as one line of JSON. DATABASE_URL is who serves,
// ZEN_MIGRATE_URL who owns, ZEN_ADMIN_URL, in a cluster of our own, who makes databases and these two; ZEN_DEMO_… the same for the demo.
const { env } = process
const own: Urls = {
  url: env.DATABASE_URL ?? '',
  ownerUrl: env.ZEN_MIGRATE_URL || (env.DATABASE_URL ?? ''),
  adminUrl: env.ZEN_ADMIN_URL,
}
const demo: Urls | undefined = env.ZEN_DEMO_URL
  ? {
      url: env.ZEN_DEMO_URL,
      ownerUrl: env.ZEN_DEMO_MIGRATE_URL || env.ZEN_DEMO_URL,
      adminUrl: env.ZEN_DEMO_ADMIN_URL,
    }
  : undefined

/** The queries of the server take a connection of the pool; one of ours does as well. */
const asDb = (client: pg.Client) => client as unknown as pg.PoolClient

async function upToDate({ url, ownerUrl, adminUrl }: Urls): Promise<string[]> {
  const [owner, app] = [roleOf(ownerUrl), roleOf(url)]
  if (adminUrl) await connected(adminUrl, (admin) => ensureRoles(admin, { owner, app }))
  return connected(ownerUrl, async (client) => {
    const migrations = await migrate(client)
    await grantTo(client, app.name)
    return migrations
  })
}

/** Loads the demo studio into an empty database; true where it did. */
const loadInto = ({ ownerUrl }: Urls): Promise<boolean> =>
  connected(ownerUrl, async (client) => {
    const db = asDb(client)
    await client.query('BEGIN')
    try {
      // Two starting together: the second waits here and then finds the demo.
      await client.query('LOCK TABLE salon IN EXCLUSIVE MODE')
      const isEmpty = !(await hasSalon(db))
      if (isEmpty) await loadDemo(db, env.ZEN_TODAY ?? new Date().toISOString().slice(0, 10))
      await client.query('COMMIT')
      return isEmpty
    } catch (error) {
      await client.query('ROLLBACK')
      throw error
    }
  })

const refusalOf = ({ url }: Urls) => connected(url, (app) => tooStrong(asDb(app)))

/** The demo's database, brought up to date, where there is one or it is to be made. */
async function prepareDemo(hasOwn: boolean) {
  if (!demo) return { loadedDemo: false, demoUrl: null, refused: undefined }
  const isWanted = !hasOwn && env.ZEN_DEMO !== '0'
  const isThere = await ensureDatabases(own, demo, isWanted)
  if (!isThere) return { loadedDemo: false, demoUrl: null, refused: undefined }
  await upToDate(demo)
  return {
    loadedDemo: isWanted && (await loadInto(demo)),
    demoUrl: demo.url,
    refused: await refusalOf(demo),
  }
}

if (own.adminUrl) await ensureDatabases(own, demo, false)
const migrations = await upToDate(own)
const { hasOwn, code, holdsDemo } = await connected(own.ownerUrl, async (client) => {
  const hasOwn = await hasSalon(asDb(client))
  return {
    hasOwn,
    code: hasOwn ? null : await setUpCode(asDb(client)),
    holdsDemo: await hasDemoSignIn(asDb(client)),
  }
})
const beside = await prepareDemo(hasOwn)
const hasDemo = holdsDemo || beside.demoUrl !== null
console.log(
  JSON.stringify({
    migrations,
    loadedDemo: beside.loadedDemo,
    demoUrl: beside.demoUrl,
    /** The salon's own database is the demo's, from before it had one of its own. */
    holdsDemo,
    demo: hasDemo ? { email: PEOPLE[1].email, password: DEMO_PASSWORD } : null,
    code,
    refused: (await refusalOf(own)) ?? beside.refused,
  }),
)
