import pg from 'pg'

/** How a database is reached: who serves, who owns, and in a cluster of our own who makes. */
export interface Urls {
  readonly url: string
  readonly ownerUrl: string
  readonly adminUrl?: string | undefined
}

const nameOf = (url: string): string => decodeURIComponent(new URL(url).pathname.slice(1))

/** The database that every cluster has: to make others from. */
function maintenanceOf(url: string): string {
  const there = new URL(url)
  there.pathname = '/postgres'
  return there.href
}

/** Runs `work` on a connection of its own. */
export async function connected<T>(
  url: string,
  work: (client: pg.Client) => Promise<T>,
): Promise<T> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    return await work(client)
  } finally {
    await client.end()
  }
}

const isThere = async (admin: pg.Client, name: string): Promise<boolean> =>
  (await admin.query('SELECT FROM pg_database WHERE datname = $1', [name])).rowCount === 1

/** Made by somebody else in the same moment. */
const TAKEN = ['42P04', '23505']

const make = (admin: pg.Client, name: string) =>
  admin
    .query(`CREATE DATABASE ${admin.escapeIdentifier(name)}`)
    .catch((error: { code: string }) => {
      if (!TAKEN.includes(error.code)) throw error
    })

/** Whether a database holds the demo studio, from before that had one of its own. */
const holdsDemo = (url: string): Promise<boolean> =>
  connected(url, async (client) => {
    const { rows } = await client.query<{ there: boolean }>(
      "SELECT to_regclass('public.account') IS NOT NULL AS there",
    )
    if (!rows[0]!.there) return false
    return (await client.query('SELECT FROM account WHERE demo LIMIT 1')).rowCount === 1
  })

/**
 * Makes the salon's database where there is none, and the demo's where it is `wanted`. A house of before both, whose one database is the demo's, has it
 * renamed. Gives whether there is a demo. Where nobody may make databases, what is named is taken to be there.
 */
export async function ensureDatabases(
  own: Urls,
  demo: Urls | undefined,
  wanted: boolean,
): Promise<boolean> {
  if (!own.adminUrl || !demo?.adminUrl) return demo !== undefined
  const [ownName, demoName] = [nameOf(own.adminUrl), nameOf(demo.adminUrl)]
  const ownUrl = own.adminUrl
  return connected(maintenanceOf(ownUrl), async (admin) => {
    const hasBoth = (await isThere(admin, ownName)) && (await isThere(admin, demoName))
    if (!hasBoth && (await isThere(admin, ownName)) && (await holdsDemo(ownUrl)))
      await admin.query(
        `ALTER DATABASE ${admin.escapeIdentifier(ownName)} RENAME TO ${admin.escapeIdentifier(demoName)}`,
      )
    if (!(await isThere(admin, ownName))) await make(admin, ownName)
    if (wanted && !(await isThere(admin, demoName))) await make(admin, demoName)
    return isThere(admin, demoName)
  })
}

/** Takes a demo's database away, whoever still looks at it. */
export const dropDatabase = (adminUrl: string): Promise<unknown> =>
  connected(maintenanceOf(adminUrl), (admin) =>
    admin.query(`DROP DATABASE IF EXISTS ${admin.escapeIdentifier(nameOf(adminUrl))} WITH (FORCE)`),
  )
